package org.brantel.server.scan;

import java.time.Clock;
import java.util.List;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.WorkAtHand;
import org.springframework.stereotype.Component;

/** Images that are scanned. */
@Component
class ScanningAtHand implements WorkAtHand {

    private final Scans scans;
    private final Clock clock;

    ScanningAtHand(Scans scans, Clock clock) {
        this.scans = scans;
        this.clock = clock;
    }

    @Override
    public List<Piece> now() {
        return scans.running().stream()
                .map(s -> new Piece(
                        s.caseNumber(),
                        "Scanning",
                        s.standing().state(),
                        s.course().total() == 0
                                ? 0
                                : (double) s.course().done() / s.course().total(),
                        Place.SCANNING,
                        WorkAtHand.ends(
                                s.standing().startedAt(),
                                clock.instant(),
                                s.course().done(),
                                s.course().total())))
                .toList();
    }
}
