package org.brantel.core.imaging;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.image.BlockState;

/**
 * What a scan needs first, in the order in which it was asked for: only what was never tried, whole blocks where there
 * are any. After a fault the rest of a stretch is left to the passes, which know how to go about it.
 */
final class Ahead implements PassWork {

    private static final int MOST = 100_000;

    private final Situation it;
    private final Deque<Range> stretches = new ArrayDeque<>();

    Ahead(Situation situation) {
        it = situation;
    }

    void ask(Range range) {
        if (stretches.size() < MOST) {
            long from = it.align(range.offset());
            long end = range.end() + it.sectorSize - 1;
            stretches.add(new Range(from, it.align(end) - from));
        }
    }

    @Override
    public Optional<Range> next() {
        while (!stretches.isEmpty()) {
            Range stretch = stretches.peek();
            Optional<Range> left =
                    it.map.firstFrom(stretch.offset(), BlockState.UNASKED).filter(r -> r.offset() < stretch.end());
            if (left.isPresent()) {
                return left.map(r -> it.firstBlock(r.intersection(stretch)));
            }
            stretches.poll();
        }
        return Optional.empty();
    }

    @Override
    public void done(Range range, ReadOutcome outcome, boolean trouble) {
        if (!outcome.isClean()) {
            stretches.poll();
        }
    }
}
