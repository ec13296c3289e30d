package org.brantel.core.bytes;

/**
 * A stretch of a medium.
 *
 * @param offset first byte, from the start of the source; never negative
 * @param length bytes; never negative
 */
public record Range(long offset, long length) implements Comparable<Range> {

    public Range {
        if (offset < 0 || length < 0 || offset > Long.MAX_VALUE - length) {
            throw new IllegalArgumentException("not a range: offset " + offset + ", length " + length);
        }
    }

    /** First byte after the range. */
    public long end() {
        return offset + length;
    }

    public boolean isEmpty() {
        return length == 0;
    }

    public boolean overlaps(Range other) {
        return offset < other.end() && other.offset < end();
    }

    /** The part that both hold; empty (length 0) when they do not overlap. */
    public Range intersection(Range other) {
        long from = Math.max(offset, other.offset);
        long to = Math.min(end(), other.end());
        return new Range(from, Math.max(0, to - from));
    }

    @Override
    public int compareTo(Range other) {
        int byOffset = Long.compare(offset, other.offset);
        return byOffset != 0 ? byOffset : Long.compare(length, other.length);
    }
}
