package org.brantel.server.bench;

import java.time.Clock;
import java.util.List;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.WorkAtHand;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Component;

/** Devices that are read, or wait for it. */
@Component
class ReadingAtHand implements WorkAtHand {

    private final Bench bench;
    private final Clock clock;

    ReadingAtHand(Bench bench, Clock clock) {
        this.bench = bench;
        this.clock = clock;
    }

    @Override
    public List<Piece> now() {
        return bench.unfinished().stream()
                .filter(s -> s.state() != WorkState.FAILED)
                .map(this::piece)
                .toList();
    }

    private Piece piece(ImagingView s) {
        long left = s.size() - s.readBytes() - s.failedBytes();
        boolean goesOn = s.state() == WorkState.RUNNING && s.rate() > 0;
        return new Piece(
                s.caseNumber(),
                "Reading",
                s.state(),
                (double) (s.size() - left) / s.size(),
                Place.IMAGING,
                goesOn ? clock.instant().plusMillis((long) (1000 * left / s.rate())) : null);
    }
}
