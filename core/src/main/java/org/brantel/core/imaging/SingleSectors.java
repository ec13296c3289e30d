package org.brantel.core.imaging;

import java.util.ArrayDeque;
import java.util.Comparator;
import java.util.Deque;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.image.BlockState;

/** What is left of failed blocks, sector by sector; short stretches first, since the long ones are the dead ones. */
final class SingleSectors implements PassWork {

    private final Situation it;
    private final Deque<Range> stretches;

    SingleSectors(Situation situation) {
        it = situation;
        stretches = new ArrayDeque<>(situation.map.ranges(BlockState.DEFERRED).stream()
                .sorted(Comparator.comparingLong(Range::length).thenComparing(Range::offset))
                .toList());
    }

    @Override
    public Optional<Range> next() {
        while (!stretches.isEmpty()) {
            Range stretch = stretches.peek();
            Optional<Range> left =
                    it.map.firstFrom(stretch.offset(), BlockState.DEFERRED).filter(r -> r.offset() < stretch.end());
            if (left.isPresent()) {
                return left.map(r -> it.sector(r.offset()));
            }
            stretches.poll();
        }
        return Optional.empty();
    }
}
