package org.brantel.core.bytes;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Bytes of a source in the order of some extents: the content of a file, a table, or simply a stretch. Positions are
 * from the view's start. Byte order is in each method's name; every value is unsigned.
 *
 * <p>Buffered for mostly ascending access. Three answers are kept apart: a value, {@link Unread} and {@link End}.
 */
public final class ByteView {

    private static final int BUFFER = 64 << 10;
    /** Most views look at a head and are done. */
    private static final int FIRST_BUFFER = 4 << 10;

    /** The bytes exist but were never read, or do not read. */
    public static final class Unread extends IOException {
        private static final long serialVersionUID = 1L;
        private final transient Range where;

        Unread(Range where) {
            super("bytes " + where.offset() + " to " + where.end() + " of the source were not read");
            this.where = where;
        }

        /** In offsets of the source. */
        public Range where() {
            return where;
        }
    }

    /** The view ends before the bytes that were asked for. */
    public static final class End extends IOException {
        private static final long serialVersionUID = 1L;

        End(long at, long length) {
            super("position " + at + " is beyond the content's end at " + length);
        }
    }

    private final PlacedBytes source;
    private final long[] startInView;
    private final long[] startInSource;
    private final long length;

    private byte[] buffer = new byte[FIRST_BUFFER];
    private long bufferAt;
    private int bufferLength;
    private List<Range> bufferFailed = List.of();
    private int extent;

    private ByteView(PlacedBytes source, List<Range> extents, long limit) {
        this.source = source;
        startInView = new long[extents.size() + 1];
        startInSource = new long[extents.size()];
        long at = 0;
        for (int i = 0; i < extents.size(); i++) {
            startInView[i] = at;
            startInSource[i] = extents.get(i).offset();
            at += extents.get(i).length();
        }
        startInView[extents.size()] = at;
        this.length = Math.min(at, limit);
    }

    /** @param limit bytes after which the content ends, when the extents hold more (a last cluster's slack) */
    public static ByteView of(PlacedBytes source, List<Range> extents, long limit) {
        for (Range r : extents) {
            if (r.end() > source.size()) {
                throw new IndexOutOfBoundsException(r + " leaves " + source.description());
            }
        }
        return new ByteView(source, extents, limit);
    }

    public static ByteView of(PlacedBytes source, Range range) {
        return of(source, List.of(range), range.length());
    }

    public long length() {
        return length;
    }

    public int u8(long at) throws IOException {
        if (at < bufferAt || at >= bufferAt + bufferLength || !bufferFailed.isEmpty()) {
            load(at, 1);
        }
        return buffer[(int) (at - bufferAt)] & 0xff;
    }

    public int u16le(long at) throws IOException {
        return u8(at) | u8(at + 1) << 8;
    }

    public int u16be(long at) throws IOException {
        return u8(at) << 8 | u8(at + 1);
    }

    public long u32le(long at) throws IOException {
        return u16le(at) | (long) u16le(at + 2) << 16;
    }

    public long u32be(long at) throws IOException {
        return (long) u16be(at) << 16 | u16be(at + 2);
    }

    public long i64le(long at) throws IOException {
        return u32le(at) | u32le(at + 4) << 32;
    }

    public long i64be(long at) throws IOException {
        return u32be(at) << 32 | u32be(at + 4);
    }

    /** Where a byte is next, from {@code at} on and before {@code end}; -1 when it is not there. */
    public long find(int value, long at, long end) throws IOException {
        long last = Math.min(end, length);
        while (at < last) {
            u8(at);
            if (!bufferFailed.isEmpty()) {
                if (u8(at) == value) {
                    return at;
                }
                at++;
                continue;
            }
            int from = (int) (at - bufferAt);
            int to = (int) Math.min(bufferLength, last - bufferAt);
            int here = EightBytes.find(buffer, (byte) value, from, to);
            if (here < to) {
                return bufferAt + here;
            }
            at = bufferAt + to;
        }
        return -1;
    }

    /**
     * The first place from {@code at} on whose byte is none of some; {@code end}, or the content's, when there is none.
     */
    public long past(ByteSet some, long at, long end) throws IOException {
        long last = Math.min(end, length);
        while (at < last) {
            if (!some.has(u8(at))) {
                return at;
            }
            if (bufferFailed.isEmpty()) {
                int to = (int) Math.min(bufferLength, last - bufferAt);
                int here = some.past(buffer, (int) (at - bufferAt), to);
                at = bufferAt + here;
                if (here < to) {
                    return at;
                }
            } else {
                at++;
            }
        }
        return last;
    }

    /** Where some bytes are next, from {@code at} on, all of them before {@code end}; -1 when they are not there. */
    public long find(byte[] bytes, long at, long end) throws IOException {
        long last = Math.min(end, length) - bytes.length + 1;
        for (long here = find(bytes[0], at, last); here >= 0; here = find(bytes[0], here + 1, last)) {
            if (startsWith(here, bytes)) {
                return here;
            }
        }
        return -1;
    }

    /** What is left of the content from a position on. */
    public ByteView from(long at) {
        if (at < 0 || at > length) {
            throw new IndexOutOfBoundsException("position " + at + " of " + length);
        }
        return new ByteView(source, extentsOf(at, length), length - at);
    }

    private List<Range> extentsOf(long from, long to) {
        List<Range> extents = new ArrayList<>();
        for (int i = 0; i < startInSource.length; i++) {
            long begin = Math.max(from, startInView[i]);
            long end = Math.min(to, startInView[i + 1]);
            if (end > begin) {
                extents.add(new Range(startInSource[i] + begin - startInView[i], end - begin));
            }
        }
        return extents;
    }

    /** Some stretches of it, one behind the other. */
    public ByteView joined(List<Range> stretches) {
        List<Range> all = new ArrayList<>();
        for (Range stretch : stretches) {
            if (stretch.end() > length) {
                throw new IndexOutOfBoundsException(stretch + " leaves " + length + " bytes");
            }
            all.addAll(extentsOf(stretch.offset(), stretch.end()));
        }
        return new ByteView(source, all, Long.MAX_VALUE);
    }

    /** The same content with a stretch left out. */
    public ByteView without(Range stretch) {
        List<Range> left = new ArrayList<>(extentsOf(0, Math.min(length, stretch.offset())));
        left.addAll(extentsOf(Math.min(length, stretch.end()), length));
        return new ByteView(source, left, Long.MAX_VALUE);
    }

    /** Copies bytes. */
    public void copy(long at, byte[] to, int into, int count) throws IOException {
        for (int done = 0; done < count; ) {
            u8(at + done);
            int n = (int) Math.min(count - done, bufferAt + bufferLength - (at + done));
            if (!bufferFailed.isEmpty()) {
                n = 1;
            }
            System.arraycopy(buffer, (int) (at + done - bufferAt), to, into + done, n);
            done += n;
        }
    }

    /** A copy; {@code count} must be small, it is allocated. */
    public byte[] bytes(long at, int count) throws IOException {
        if (count < 0 || at < 0 || at > length - count) {
            throw new End(at, length);
        }
        byte[] copy = new byte[count];
        copy(at, copy, 0, count);
        return copy;
    }

    public boolean startsWith(long at, byte[] expected) throws IOException {
        if (at < 0 || at > length - expected.length) {
            return false;
        }
        for (int i = 0; i < expected.length; i++) {
            if (u8(at + i) != (expected[i] & 0xff)) {
                return false;
            }
        }
        return true;
    }

    private void load(long at, int need) throws IOException {
        if (at < 0 || at > length - need) {
            throw new End(at, length);
        }
        if (at < bufferAt || at >= bufferAt + bufferLength) {
            fill(at);
        }
        long inSource = sourceOffset(at);
        for (Range bad : bufferFailed) {
            if (bad.offset() <= inSource && inSource < bad.end()) {
                throw new Unread(bad);
            }
        }
    }

    private void fill(long at) throws IOException {
        long inSource = sourceOffset(at);
        long untilExtentEnd = Math.min(startInView[extent + 1], length) - at;
        if (bufferLength > 0 && buffer.length < BUFFER) {
            buffer = new byte[BUFFER];
        }
        int want = (int) Math.min(buffer.length, untilExtentEnd);
        bufferAt = at;
        bufferLength = 0;
        bufferFailed = source.read(inSource, buffer, 0, want).failed();
        bufferLength = want;
    }

    private long sourceOffset(long at) {
        if (at < startInView[extent] || at >= startInView[extent + 1]) {
            int found = Arrays.binarySearch(startInView, at);
            extent = found >= 0 ? found : -found - 2;
            while (startInView[extent + 1] == startInView[extent]) {
                extent++;
            }
        }
        return startInSource[extent] + (at - startInView[extent]);
    }
}
