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
        long left = s.sum().size() - s.sum().readBytes() - s.sum().failedBytes();
        boolean goesOn = s.standing().state() == WorkState.RUNNING && s.course().rate() > 0;
        return new Piece(
                s.caseNumber(),
                "Reading",
                s.standing().state(),
                (double) (s.sum().size() - left) / s.sum().size(),
                Place.IMAGING,
                goesOn
                        ? clock.instant()
                                .plusMillis((long) (1000 * left / s.course().rate()))
                        : null);
    }
}
