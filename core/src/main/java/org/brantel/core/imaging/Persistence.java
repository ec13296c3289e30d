package org.brantel.core.imaging;

import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.image.BlockState;

/** Sectors that failed alone, round after round, as often as the profile allows. */
final class Persistence implements PassWork {

    private final Situation it;

    Persistence(Situation situation) {
        it = situation;
        if (it.rounds.round() == 0) {
            it.rounds = it.rounds.retry(1, 0);
        }
    }

    @Override
    public Optional<Range> next() {
        while (it.rounds.round() <= it.profile.patience().retries()) {
            Optional<Range> left = it.map.firstFrom(it.rounds.position(), BlockState.FAILED);
            if (left.isPresent()) {
                return left.map(r -> it.sector(r.offset()));
            }
            it.rounds = it.rounds.retry(it.rounds.round() + 1, 0);
        }
        return Optional.empty();
    }

    @Override
    public void done(Range range, ReadOutcome outcome, boolean trouble) {
        it.rounds = it.rounds.retry(it.rounds.round(), range.end());
    }
}
