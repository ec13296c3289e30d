package org.brantel.core.content;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/**
 * A file's content, read like a medium of its own; positions are those in the file. What was not read of the medium,
 * lies beyond its end, is held by no extent or does not unpack comes back as failed.
 */
public final class FileContent implements Source {

    private final Source source;
    private final List<Extent> extents;
    private final long[] starts;
    private final long size;
    private final @Nullable Packing packing;
    private long unitAt = -1;
    private boolean unitGood;
    private byte[] unit = {};
    private byte[] stored = {};

    /** @param packing null for content that stands as it is */
    public FileContent(Source source, List<Extent> extents, long size, @Nullable Packing packing) {
        this.source = source;
        this.extents = List.copyOf(extents);
        this.size = size;
        this.packing = packing;
        starts = new long[extents.size() + 1];
        for (int i = 0; i < extents.size(); i++) {
            starts[i + 1] = starts[i] + extents.get(i).length();
        }
    }

    @Override
    public String description() {
        return "a file on " + source.description();
    }

    @Override
    public long size() {
        return size;
    }

    @Override
    public int sectorSize() {
        return 1;
    }

    @Override
    public Identity identity() {
        return source.identity();
    }

    @Override
    public List<Path> filesBehind() {
        return source.filesBehind();
    }

    /** Leaves the medium open: it is not this content's own. */
    @Override
    public void close() {}

    @Override
    public ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        Source.checkBounds(this, offset, buffer, at, length);
        RangeSet failed = new RangeSet();
        if (packing == null) {
            readStored(offset, buffer, at, length, failed);
        } else {
            for (int done = 0; done < length; ) {
                long number = (offset + done) / packing.unitBytes();
                int from = (int) (offset + done - number * packing.unitBytes());
                int n = Math.min(length - done, packing.unitBytes() - from);
                unpackUnit(packing, number);
                if (unitGood) {
                    System.arraycopy(unit, from, buffer, at + done, n);
                } else {
                    Arrays.fill(buffer, at + done, at + done + n, (byte) 0);
                    failed.add(new Range(offset + done, n));
                }
                done += n;
            }
        }
        return failed.isEmpty() ? ReadOutcome.clean(0) : new ReadOutcome(failed.ranges(), 0);
    }

    @Override
    public List<Range> knownUnread(Range range) {
        Range within = range.intersection(new Range(0, size));
        RangeSet unread = new RangeSet();
        if (packing == null) {
            unreadStored(within, unread);
            return unread.ranges();
        }
        RangeSet storedUnread = new RangeSet();
        unreadStored(new Range(0, Math.max(size, starts[extents.size()])), storedUnread);
        for (Range r : storedUnread.ranges()) {
            long first = r.offset() / packing.unitBytes() * packing.unitBytes();
            long end = (r.end() + packing.unitBytes() - 1) / packing.unitBytes() * packing.unitBytes();
            unread.add(new Range(first, end - first).intersection(within));
        }
        return unread.ranges();
    }

    private void readStored(long offset, byte[] buffer, int at, int length, RangeSet failed) throws IOException {
        int i = extentAt(offset);
        for (int done = 0; done < length; i++) {
            long position = offset + done;
            if (i >= extents.size()) {
                Arrays.fill(buffer, at + done, at + length, (byte) 0);
                failed.add(new Range(position, length - done));
                return;
            }
            Extent e = extents.get(i);
            long inside = position - starts[i];
            int n = (int) Math.min(length - done, e.length() - inside);
            if (e.isHole()) {
                Arrays.fill(buffer, at + done, at + done + n, (byte) 0);
            } else {
                readPiece(e.offset() + inside, position, buffer, at + done, n, failed);
            }
            done += n;
        }
    }

    private void readPiece(long inSource, long position, byte[] buffer, int at, int length, RangeSet failed)
            throws IOException {
        int there = (int) Math.max(0, Math.min(length, source.size() - inSource));
        if (there > 0) {
            for (Range bad : source.read(inSource, buffer, at, there).failed()) {
                failed.add(new Range(position + bad.offset() - inSource, bad.length()));
            }
        }
        if (there < length) {
            Arrays.fill(buffer, at + there, at + length, (byte) 0);
            failed.add(new Range(position + there, length - there));
        }
    }

    private void unreadStored(Range range, RangeSet unread) {
        Range medium = new Range(0, source.size());
        for (int i = extentAt(range.offset()); i < extents.size() && starts[i] < range.end(); i++) {
            Extent e = extents.get(i);
            Range inFile = new Range(starts[i], e.length()).intersection(range);
            if (e.isHole() || inFile.isEmpty()) {
                continue;
            }
            long shift = e.offset() - starts[i];
            Range inSource = new Range(inFile.offset() + shift, inFile.length());
            Range there = inSource.intersection(medium);
            for (Range bad : source.knownUnread(there)) {
                unread.add(new Range(bad.offset() - shift, bad.length()));
            }
            if (there.length() < inSource.length()) {
                long from = Math.max(inSource.offset(), medium.end());
                unread.add(new Range(from - shift, inSource.end() - from));
            }
        }
        long held = starts[extents.size()];
        if (range.end() > held) {
            long from = Math.max(held, range.offset());
            unread.add(new Range(from, range.end() - from));
        }
    }

    private int extentAt(long position) {
        int found = Arrays.binarySearch(starts, position);
        int i = found >= 0 ? found : -found - 2;
        while (i < extents.size() && starts[i + 1] == starts[i]) {
            i++;
        }
        return i;
    }

    private void unpackUnit(Packing packing, long number) throws IOException {
        if (number == unitAt) {
            return;
        }
        int unitBytes = packing.unitBytes();
        if (unit.length == 0) {
            unit = new byte[unitBytes];
            stored = new byte[unitBytes];
        }
        unitAt = number;
        long from = number * unitBytes;
        int held = storedBefore(from, unitBytes);
        RangeSet failed = new RangeSet();
        readStored(from, stored, 0, held, failed);
        if (!failed.isEmpty()) {
            unitGood = false;
        } else if (held == unitBytes) {
            System.arraycopy(stored, 0, unit, 0, unitBytes);
            unitGood = true;
        } else if (held == 0) {
            Arrays.fill(unit, (byte) 0);
            unitGood = from < starts[extents.size()];
        } else {
            unitGood = Lznt1.unpack(stored, held, unit);
            if (!unitGood && held >= size - from) {
                // The last unit of a file need not fill its clusters to stand as it is.
                System.arraycopy(stored, 0, unit, 0, held);
                unitGood = true;
            }
        }
    }

    /** Bytes of a unit that are stored, before its first hole. */
    private int storedBefore(long from, int unitBytes) {
        long end = from;
        for (int i = extentAt(from); i < extents.size() && end < from + unitBytes; i++) {
            if (extents.get(i).isHole()) {
                break;
            }
            end = starts[i + 1];
        }
        return (int) Math.min(unitBytes, end - from);
    }
}
