package org.brantel.core.scan;

import java.util.BitSet;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Finding;

/**
 * How much of a medium findings claim, and how much of that several of them claim: in blocks, so that memory stays
 * flat.
 */
final class Claims {

    private static final long SMALLEST_BLOCK = 512;
    private static final long MOST_BLOCKS = 256L << 20;

    private final long medium;
    private final long block;
    private final BitSet claimed = new BitSet();
    private long listed;
    private long again;
    private long unstored;

    Claims(long mediumBytes) {
        long size = SMALLEST_BLOCK;
        while (mediumBytes / size > MOST_BLOCKS) {
            size *= 2;
        }
        medium = mediumBytes;
        block = size;
    }

    void add(Finding finding) {
        long stored = 0;
        for (Extent e : finding.extents()) {
            if (!e.isHole() && e.length() > 0) {
                long length = Math.min(
                        e.length(), finding.encoding() == null ? Math.max(0, finding.size() - stored) : e.length());
                stored += length;
                // A record may claim what lies behind the end of a medium that was cut.
                claim(Math.min(e.offset(), medium), Math.max(0, Math.min(length, medium - e.offset())));
            }
        }
        listed += finding.size();
        unstored += Math.max(0, finding.size() - stored);
    }

    private void claim(long offset, long length) {
        int end = (int) ((offset + length + block - 1) / block);
        for (int at = (int) (offset / block); at < end; ) {
            int taken = claimed.nextSetBit(at);
            int free = taken < 0 || taken > end ? end : taken;
            claimed.set(at, free);
            int next = Math.min(end, claimed.nextClearBit(free));
            again += (next - free) * block;
            at = Math.max(next, free);
        }
    }

    ScanReport.Claimed sum() {
        return new ScanReport.Claimed(listed, claimed.cardinality() * block, again, unstored);
    }
}
