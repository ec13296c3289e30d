package org.brantel.core.imaging;

import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.image.BlockState;

/**
 * What the sweep jumped over, gap by gap from the far end of the device, each from its far end: that is the side where
 * the medium read well. After trouble the requests are cut to an eighth; after more of it, or where the medium is only
 * slow, the rest of the gap is left for narrowing.
 */
final class BackSweep implements PassWork {

    /** Troubles in a gap before the rest of it is left alone. */
    private static final int PATIENCE = 3;

    private final Situation it;
    private long gapStart;
    private long gapEnd;
    private long length;
    private int troubles;

    BackSweep(Situation situation) {
        it = situation;
        gapEnd = situation.map.size();
        gapStart = gapEnd;
    }

    @Override
    public Optional<Range> next() {
        Optional<Range> left = it.map.lastBefore(gapEnd, BlockState.UNASKED);
        while (left.isPresent() && left.get().end() <= gapStart) {
            enter(left.get());
            left = it.map.lastBefore(gapEnd, BlockState.UNASKED);
        }
        return left.map(run -> {
            long from = Math.max(Math.max(run.offset(), gapStart), it.align(run.end() - length));
            return new Range(from, run.end() - from);
        });
    }

    private void enter(Range gap) {
        gapStart = gap.offset();
        gapEnd = gap.end();
        length = it.profile.blockBytes();
        troubles = 0;
    }

    @Override
    public void done(Range range, ReadOutcome outcome, boolean trouble) {
        if (!trouble) {
            return;
        }
        if (outcome.isClean() || ++troubles >= PATIENCE) {
            gapEnd = gapStart;
        } else {
            length = Math.max(it.sectorSize, length / 8);
        }
    }
}
