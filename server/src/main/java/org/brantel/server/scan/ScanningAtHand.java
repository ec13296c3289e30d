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
                        s.state(),
                        s.total() == 0 ? 0 : (double) s.done() / s.total(),
                        Place.SCANNING,
                        WorkAtHand.ends(s.startedAt(), clock.instant(), s.done(), s.total())))
                .toList();
    }
}
