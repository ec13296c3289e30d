package org.brantel.server.bench;

import java.time.Clock;
import java.util.List;
import java.util.OptionalLong;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.WorkAtHand;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Component;

/** Devices that are read, or wait for it. */
@Component
class ReadingAtHand implements WorkAtHand {

    private final ImagingRecords imaging;
    private final Clock clock;

    ReadingAtHand(ImagingRecords imaging, Clock clock) {
        this.imaging = imaging;
        this.clock = clock;
    }

    @Override
    public List<Piece> now() {
        return imaging.unfinished().stream()
                .filter(s -> s.standing().state() != WorkState.FAILED)
                .map(this::piece)
                .toList();
    }

    private Piece piece(ImagingView s) {
        long done = s.sum().readBytes() + s.sum().failedBytes();
        OptionalLong all = s.inAll();
        long left = Math.max(0, all.orElse(0) - done);
        boolean goesOn = s.standing().state() == WorkState.RUNNING && s.course().rate() > 0 && all.isPresent();
        return new Piece(
                s.caseNumber(),
                "Reading",
                s.standing().state(),
                all.isPresent() && all.getAsLong() > 0 ? (double) done / all.getAsLong() : 0,
                Place.IMAGING,
                goesOn
                        ? clock.instant()
                                .plusMillis((long) (1000 * left / s.course().rate()))
                        : null);
    }
}
