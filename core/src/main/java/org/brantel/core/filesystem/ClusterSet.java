package org.brantel.core.filesystem;

import java.util.BitSet;

/** A set of cluster numbers, of any size; memory grows with the parts that hold something. */
public final class ClusterSet {

    private static final int PART_BITS = 16;
    private static final int PART = 1 << PART_BITS;

    private final BitSet[] parts;
    private final long count;

    /** @param count clusters that there are; numbers from 0 */
    public ClusterSet(long count) {
        this.count = count;
        parts = new BitSet[(int) (count + PART - 1 >> PART_BITS)];
    }

    public void add(long cluster) {
        part(cluster).set((int) (cluster & PART - 1));
    }

    /** Adds a run; what lies outside the numbers that there are is left out. */
    public void add(long first, long length) {
        long end = Math.min(count, first + length);
        for (long at = Math.max(0, first); at < end; ) {
            int from = (int) (at & PART - 1);
            int n = (int) Math.min(PART - from, end - at);
            part(at).set(from, from + n);
            at += n;
        }
    }

    /** Takes a run out; what is not in stays out. */
    public void remove(long first, long length) {
        long end = Math.min(count, first + length);
        for (long at = Math.max(0, first); at < end; ) {
            int from = (int) (at & PART - 1);
            int n = (int) Math.min(PART - from, end - at);
            BitSet part = parts[(int) (at >> PART_BITS)];
            if (part != null) {
                part.clear(from, from + n);
            }
            at += n;
        }
    }

    public boolean holds(long cluster) {
        if (cluster < 0 || cluster >= count) {
            return false;
        }
        BitSet part = parts[(int) (cluster >> PART_BITS)];
        return part != null && part.get((int) (cluster & PART - 1));
    }

    /** How many of a run are in the set. */
    public long countIn(long first, long length) {
        long held = 0;
        long end = Math.min(count, first + length);
        for (long at = nextHeld(Math.max(0, first)); at < end; ) {
            long clear = Math.min(end, nextClear(at));
            held += clear - at;
            at = nextHeld(clear);
        }
        return held;
    }

    /** The first cluster at or after a place that is in the set; the count when there is none. */
    public long nextHeld(long from) {
        for (long at = from; at < count; at = (at >> PART_BITS) + 1 << PART_BITS) {
            BitSet part = parts[(int) (at >> PART_BITS)];
            int next = part == null ? -1 : part.nextSetBit((int) (at & PART - 1));
            if (next >= 0) {
                return Math.min(count, (at >> PART_BITS << PART_BITS) + next);
            }
        }
        return count;
    }

    /** The first cluster at or after a place that is not in the set; the count when there is none. */
    public long nextClear(long from) {
        for (long at = from; at < count; at = (at >> PART_BITS) + 1 << PART_BITS) {
            BitSet part = parts[(int) (at >> PART_BITS)];
            if (part == null) {
                return at;
            }
            int next = part.nextClearBit((int) (at & PART - 1));
            if (next < PART) {
                return Math.min(count, (at >> PART_BITS << PART_BITS) + next);
            }
        }
        return count;
    }

    /** How many are in the set. */
    public long size() {
        long size = 0;
        for (BitSet part : parts) {
            size += part == null ? 0 : part.cardinality();
        }
        return size;
    }

    public boolean isEmpty() {
        return nextHeld(0) == count;
    }

    private BitSet part(long cluster) {
        int i = (int) (cluster >> PART_BITS);
        if (parts[i] == null) {
            parts[i] = new BitSet();
        }
        return parts[i];
    }
}
