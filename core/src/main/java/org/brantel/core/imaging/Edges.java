package org.brantel.core.imaging;

import java.util.ArrayDeque;
import java.util.Comparator;
import java.util.Deque;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.image.BlockState;

/**
 * The second half of narrowing: blocks that failed as a whole. The shortest stretch first, sector by sector from its
 * left edge until two faults in a row, then from its right edge in short runs until two in a row. A single bad sector
 * in a block costs one more fault that way, and all the rest of the block is there.
 */
final class Edges implements PassWork {

    private static final int ROW = 2;
    /** Sectors that the right edge is stepped back at once; each step back is a seek. */
    private static final int STEP_BACK = 64;

    private final Situation it;
    private final Deque<Range> stretches;
    private boolean left = true;
    private long position;
    private long runStart;
    private long runEnd;
    private int row;

    Edges(Situation situation) {
        it = situation;
        stretches = new ArrayDeque<>(situation.map.ranges(BlockState.DEFERRED).stream()
                .sorted(Comparator.comparingLong(Range::length).thenComparing(Range::offset))
                .toList());
        enter();
    }

    private void enter() {
        left = true;
        row = 0;
        position = stretches.isEmpty() ? 0 : stretches.peek().offset();
    }

    @Override
    public Optional<Range> next() {
        while (!stretches.isEmpty()) {
            Range stretch = stretches.peek();
            if (left && row < ROW && position < stretch.end()) {
                return Optional.of(it.sector(position));
            }
            if (!left && row < ROW) {
                Optional<Range> rest =
                        it.map.firstFrom(position, BlockState.DEFERRED).filter(r -> r.offset() < runEnd);
                if (rest.isPresent()) {
                    return rest.map(r -> it.sector(r.offset()));
                }
            }
            boolean stuck = !left && row >= ROW;
            boolean more = !stuck && stepBack(left ? stretch.end() : runStart);
            left = false;
            row = 0;
            if (!more) {
                stretches.poll();
                enter();
            }
        }
        return Optional.empty();
    }

    /** @return whether there is anything left before {@code end} in this stretch */
    private boolean stepBack(long end) {
        Range stretch = stretches.peek();
        Optional<Range> last = it.map.lastBefore(end, BlockState.DEFERRED).filter(r -> r.end() > stretch.offset());
        if (last.isEmpty()) {
            return false;
        }
        runEnd = last.get().end();
        runStart = Math.max(
                Math.max(stretch.offset(), last.get().offset()), it.align(runEnd - (long) STEP_BACK * it.sectorSize));
        position = runStart;
        return true;
    }

    @Override
    public void done(Range range, ReadOutcome outcome, boolean trouble) {
        row = outcome.isClean() ? 0 : row + 1;
        position = range.end();
    }
}
