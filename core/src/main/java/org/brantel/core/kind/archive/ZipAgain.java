package org.brantel.core.kind.archive;

import java.io.IOException;
import java.util.HashSet;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind.Walk;
import org.brantel.core.kind.Resumable;

/** A ZIP that broke off within a file, whose head is in order. */
final class ZipAgain implements Resumable {

    private static final long MOST_JOINED = 16 << 20;
    private static final long MOST_AHEAD = 12 << 20;
    private static final int MOST_GAPS = 16;
    private static final int SECTOR = 512;
    /** Without an end record there is nothing to join. */
    private static final Set<Long> NO_END = Set.of(-1L);

    private final Zip zip;
    private final ZipFiles files;
    private final Walk broken;
    private final long latest;
    private final Set<Long> gaps = new HashSet<>();

    ZipAgain(Zip zip, ByteView content, ZipFiles files, Walk broken) throws IOException {
        this.zip = zip;
        this.files = files;
        this.broken = broken;
        latest = broken.length() + Math.min(MOST_JOINED, files.latest(broken.length()) - broken.length());
        // The end record states where the directory before it begins; by how much that is wrong, so much stands in
        // between.
        long end = Math.min(content.length(), broken.length() + MOST_AHEAD);
        byte[] mark = Bytes.latin("PK\5\6");
        for (long at = content.find(mark, broken.length(), end);
                at >= 0 && gaps.size() < MOST_GAPS && at + 22 <= content.length();
                at = content.find(mark, at + 1, end)) {
            long gap = at - content.u32le(at + 12) - content.u32le(at + 16);
            if (gap > 0 && gap % SECTOR == 0) {
                gaps.add(gap);
            }
        }
    }

    @Override
    public Set<Long> gaps() {
        return gaps.isEmpty() ? NO_END : gaps;
    }

    @Override
    public Walk broken() {
        return broken;
    }

    @Override
    public long earliest() {
        return broken.length();
    }

    @Override
    public long latest() {
        return latest;
    }

    @Override
    public Walk resume(ByteView other, long same) throws IOException {
        return zip.walk(other, new ZipFiles(files, other), broken.length());
    }

    /**
     * Packed data: hardly any byte stands out, and half have their highest bit set; what is stored plainly may look
     * like anything but zeros.
     */
    @Override
    public boolean couldContinue(byte[] block, int at, int length) {
        int zeros = 0;
        for (int i = at; i < at + length; i++) {
            zeros += block[i] == 0 ? 1 : 0;
        }
        return zeros < length - 16;
    }
}
