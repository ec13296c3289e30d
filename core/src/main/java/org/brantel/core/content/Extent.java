package org.brantel.core.content;

import org.brantel.core.bytes.Range;

/**
 * A stretch of a file's content.
 *
 * @param offset first byte in the source, or {@link #HOLE} where nothing is stored and zeros are read
 * @param length bytes; never negative
 */
public record Extent(long offset, long length) {

    public static final long HOLE = -1;

    public Extent {
        if (offset < HOLE || length < 0 || offset > Long.MAX_VALUE - length) {
            throw new IllegalArgumentException("not an extent: offset " + offset + ", length " + length);
        }
    }

    public static Extent of(Range range) {
        return new Extent(range.offset(), range.length());
    }

    public static Extent hole(long length) {
        return new Extent(HOLE, length);
    }

    public boolean isHole() {
        return offset == HOLE;
    }

    /** Where the bytes are stored; not for holes. */
    public Range range() {
        return new Range(offset, length);
    }

    /** The same place, fewer bytes. */
    public Extent cutTo(long newLength) {
        return newLength >= length ? this : new Extent(offset, newLength);
    }
}
