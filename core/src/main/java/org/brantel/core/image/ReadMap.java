package org.brantel.core.image;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.brantel.core.bytes.Range;

/**
 * The state of every byte of a medium: runs of one state, neighbours always differing. Starts all unasked.
 * Not thread-safe.
 */
public final class ReadMap {

    /** A stretch in one state. */
    public record Run(Range range, BlockState state) {}

    private final long size;
    private final TreeMap<Long, BlockState> stateFrom = new TreeMap<>();
    private final long[] bytes = new long[BlockState.values().length];

    public ReadMap(long size) {
        if (size <= 0) {
            throw new IllegalArgumentException("a medium of " + size + " bytes has no map");
        }
        this.size = size;
        stateFrom.put(0L, BlockState.UNASKED);
        bytes[BlockState.UNASKED.ordinal()] = size;
    }

    public long size() {
        return size;
    }

    public void set(Range range, BlockState state) {
        if (range.end() > size) {
            throw new IllegalArgumentException("range " + range + " leaves a medium of " + size + " bytes");
        }
        if (range.isEmpty()) {
            return;
        }
        for (Run run : runs(range)) {
            bytes[run.state().ordinal()] -= run.range().length();
        }
        bytes[state.ordinal()] += range.length();
        BlockState after = range.end() < size ? stateAt(range.end()) : null;
        stateFrom.subMap(range.offset(), range.end()).clear();
        if (after != null) {
            stateFrom.put(range.end(), after);
        }
        Map.Entry<Long, BlockState> before = stateFrom.lowerEntry(range.offset());
        if (before == null || before.getValue() != state) {
            stateFrom.put(range.offset(), state);
        }
        if (after == state) {
            stateFrom.remove(range.end());
        }
    }

    public BlockState stateAt(long offset) {
        return stateFrom.floorEntry(offset).getValue();
    }

    /** Every run that touches the range, cut to it, ascending. */
    public List<Run> runs(Range range) {
        List<Run> runs = new ArrayList<>();
        if (range.isEmpty()) {
            return runs;
        }
        Map.Entry<Long, BlockState> run = stateFrom.floorEntry(range.offset());
        while (run != null && run.getKey() < range.end()) {
            Map.Entry<Long, BlockState> next = stateFrom.higherEntry(run.getKey());
            long end = next == null ? size : next.getKey();
            Range cut = new Range(run.getKey(), end - run.getKey()).intersection(range);
            if (!cut.isEmpty()) {
                runs.add(new Run(cut, run.getValue()));
            }
            run = next;
        }
        return runs;
    }

    public List<Run> runs() {
        return runs(new Range(0, size));
    }

    public List<Range> ranges(BlockState state) {
        return runs().stream().filter(r -> r.state() == state).map(Run::range).toList();
    }

    /** The first run of a state at or after a position, cut to start there. */
    public Optional<Range> firstFrom(long offset, BlockState state) {
        if (offset >= size) {
            return Optional.empty();
        }
        Map.Entry<Long, BlockState> run = stateFrom.floorEntry(offset);
        while (run != null && run.getValue() != state) {
            run = stateFrom.higherEntry(run.getKey());
        }
        if (run == null) {
            return Optional.empty();
        }
        long from = Math.max(offset, run.getKey());
        Long end = stateFrom.higherKey(run.getKey());
        return Optional.of(new Range(from, (end == null ? size : end) - from));
    }

    /** The last run of a state that begins before a position, cut to end there. */
    public Optional<Range> lastBefore(long position, BlockState state) {
        Map.Entry<Long, BlockState> run = stateFrom.lowerEntry(position);
        while (run != null && run.getValue() != state) {
            run = stateFrom.lowerEntry(run.getKey());
        }
        if (run == null) {
            return Optional.empty();
        }
        Long end = stateFrom.higherKey(run.getKey());
        return Optional.of(new Range(run.getKey(), Math.min(position, end == null ? size : end) - run.getKey()));
    }

    /** Bytes in a state. */
    public long bytes(BlockState state) {
        return bytes[state.ordinal()];
    }
}
