package org.brantel.core.imaging;

import java.util.ArrayDeque;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.ReadMap;
import org.jspecify.annotations.Nullable;

/**
 * The first half of narrowing: stretches that were never reached, because there was trouble at their edges. The longest
 * is entered in its middle; where that reads, it grows to both sides, twice as much each time, until trouble; where it
 * does not, the stretch is two. So good islands are found after few faults, and every sector is asked for in the end.
 * What reads, but slowly, comes after all that, straight through.
 */
final class Islands implements PassWork {

    private final Situation it;
    private final PriorityQueue<Range> stretches = new PriorityQueue<>(
            Comparator.comparingLong(Range::length).reversed().thenComparing(Range::offset));
    /** Stretches that are only slow, as far as is known. */
    private final Deque<Range> slow = new ArrayDeque<>();
    /** Faults in a row in a slow stretch, after which it is entered like any other. */
    private static final int PATIENCE = 3;

    private int faultsInRow;
    /** Where an island grows: to the end of {@code field} first, then to its start. */
    private @Nullable Range field;

    private Range island = new Range(0, 0);
    private boolean forward;
    private boolean backward;
    private long reach;

    Islands(Situation situation) {
        it = situation;
        stretches.addAll(situation.map.ranges(BlockState.UNASKED));
    }

    @Override
    public Optional<Range> next() {
        if (field != null && !forward && !backward) {
            stretches.addAll(unasked(field));
            field = null;
        }
        if (field == null) {
            return stretches.isEmpty() ? nextSlow() : Optional.of(entry(stretches.peek()));
        }
        if (forward) {
            return Optional.of(new Range(island.end(), Math.min(reach, field.end() - island.end())));
        }
        long from = Math.max(field.offset(), it.align(island.offset() - reach));
        return Optional.of(new Range(from, island.offset() - from));
    }

    private Optional<Range> nextSlow() {
        while (!slow.isEmpty()) {
            Range stretch = slow.peek();
            Optional<Range> left =
                    it.map.firstFrom(stretch.offset(), BlockState.UNASKED).filter(r -> r.offset() < stretch.end());
            if (left.isPresent()) {
                return left.map(r -> it.firstBlock(r.intersection(stretch)));
            }
            slow.poll();
        }
        return Optional.empty();
    }

    /** A device that names its bad sectors loses one sector by a fault; one that does not loses the request. */
    private Range entry(Range stretch) {
        long look = Math.min(
                it.profile.blockBytes(),
                it.namesFaults ? Math.max(it.sectorSize, it.align(stretch.length() / 4)) : stretch.length());
        if (stretch.length() <= look) {
            return stretch;
        }
        long from = it.align(stretch.offset() + (stretch.length() - look) / 2);
        return new Range(from, look);
    }

    @Override
    public void done(Range range, ReadOutcome outcome, boolean trouble) {
        boolean faulty = !outcome.isClean();
        if (field == null && stretches.isEmpty()) {
            faultsInRow = faulty ? faultsInRow + 1 : 0;
            if (faultsInRow >= PATIENCE) {
                faultsInRow = 0;
                stretches.addAll(unasked(slow.remove()));
            }
            return;
        }
        if (field == null) {
            Range stretch = stretches.remove();
            if (faulty) {
                stretches.addAll(unasked(stretch));
            } else if (trouble) {
                slow.add(stretch);
            } else {
                field = stretch;
                island = range;
                reach = range.length();
                forward = range.end() < field.end();
                backward = range.offset() > field.offset();
            }
            return;
        }
        if (trouble && !faulty) {
            Range rest = forward
                    ? new Range(range.end(), field.end() - range.end())
                    : new Range(field.offset(), range.offset() - field.offset());
            field = forward
                    ? new Range(field.offset(), range.end() - field.offset())
                    : new Range(range.offset(), field.end() - range.offset());
            slow.add(rest);
        }
        if (trouble) {
            // What was delivered before the fault, or behind it, is no longer unasked; the rest is queued at the end.
            if (forward) {
                forward = false;
            } else {
                backward = false;
            }
            reach = Math.max(it.sectorSize, island.length());
            return;
        }
        reach = Math.min(it.profile.blockBytes(), reach * 2);
        if (forward) {
            island = new Range(island.offset(), range.end() - island.offset());
            forward = island.end() < field.end();
        } else {
            island = new Range(range.offset(), island.end() - range.offset());
            backward = island.offset() > field.offset();
        }
    }

    private List<Range> unasked(Range stretch) {
        return it.map.runs(stretch).stream()
                .filter(r -> r.state() == BlockState.UNASKED)
                .map(ReadMap.Run::range)
                .toList();
    }
}
