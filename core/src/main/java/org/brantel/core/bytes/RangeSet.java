package org.brantel.core.bytes;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** A set of bytes kept as disjoint, merged ranges in ascending order. Not thread-safe. */
public final class RangeSet {

    private final TreeMap<Long, Long> endByStart = new TreeMap<>();
    private long total;

    public static RangeSet of(Iterable<Range> ranges) {
        RangeSet set = new RangeSet();
        ranges.forEach(set::add);
        return set;
    }

    /** Adds every byte of the range; touching ranges become one. */
    public void add(Range range) {
        if (range.isEmpty()) {
            return;
        }
        long start = range.offset();
        long end = range.end();
        Map.Entry<Long, Long> before = endByStart.floorEntry(start);
        if (before != null && before.getValue() >= start) {
            start = before.getKey();
            end = Math.max(end, before.getValue());
            drop(before);
        }
        for (Map.Entry<Long, Long> next = endByStart.ceilingEntry(start);
                next != null && next.getKey() <= end;
                next = endByStart.ceilingEntry(start)) {
            end = Math.max(end, next.getValue());
            drop(next);
        }
        put(start, end);
    }

    /** Takes every byte of the range out. */
    public void remove(Range range) {
        for (Range hit : within(range)) {
            Map.Entry<Long, Long> holder = endByStart.floorEntry(hit.offset());
            drop(holder);
            if (holder.getKey() < hit.offset()) {
                put(holder.getKey(), hit.offset());
            }
            if (holder.getValue() > hit.end()) {
                put(hit.end(), holder.getValue());
            }
        }
    }

    public boolean overlaps(Range range) {
        Map.Entry<Long, Long> before = endByStart.floorEntry(range.offset());
        if (before != null && before.getValue() > range.offset() && !range.isEmpty()) {
            return true;
        }
        Long next = endByStart.ceilingKey(range.offset());
        return next != null && next < range.end();
    }

    public boolean contains(Range range) {
        Map.Entry<Long, Long> before = endByStart.floorEntry(range.offset());
        return before != null && before.getValue() >= range.end();
    }

    /** The first part of this set at or after a place, cut to begin there. */
    public Optional<Range> firstFrom(long offset) {
        Map.Entry<Long, Long> holder = endByStart.floorEntry(offset);
        if (holder != null && holder.getValue() > offset) {
            return Optional.of(new Range(offset, holder.getValue() - offset));
        }
        Map.Entry<Long, Long> next = endByStart.higherEntry(offset);
        return next == null ? Optional.empty() : Optional.of(new Range(next.getKey(), next.getValue() - next.getKey()));
    }

    /** The parts of this set inside the range, ascending. */
    public List<Range> within(Range range) {
        List<Range> hits = new ArrayList<>();
        Long from = endByStart.floorKey(range.offset());
        for (Map.Entry<Long, Long> e :
                endByStart.tailMap(from == null ? range.offset() : from).entrySet()) {
            if (e.getKey() >= range.end()) {
                break;
            }
            Range hit = new Range(e.getKey(), e.getValue() - e.getKey()).intersection(range);
            if (!hit.isEmpty()) {
                hits.add(hit);
            }
        }
        return hits;
    }

    public List<Range> ranges() {
        List<Range> all = new ArrayList<>(endByStart.size());
        endByStart.forEach((start, end) -> all.add(new Range(start, end - start)));
        return all;
    }

    /** Bytes in the set. */
    public long total() {
        return total;
    }

    public boolean isEmpty() {
        return endByStart.isEmpty();
    }

    private void put(long start, long end) {
        endByStart.put(start, end);
        total += end - start;
    }

    private void drop(Map.Entry<Long, Long> entry) {
        endByStart.remove(entry.getKey());
        total -= entry.getValue() - entry.getKey();
    }
}
