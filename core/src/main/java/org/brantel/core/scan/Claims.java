package org.brantel.core.scan;

import java.util.Arrays;
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
    /** A bit for each block. */
    private final long[] claimed;

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
        claimed = new long[Math.toIntExact((mediumBytes / size + Long.SIZE) / Long.SIZE)];
    }

    void add(Finding finding) {
        long stored = 0;
        for (Extent e : finding.extents()) {
            if (!e.isHole() && e.length() > 0) {
                long length = Math.min(
                        e.length(), finding.encoding() == null ? Math.max(0, finding.size() - stored) : e.length());
                stored += length;
                // A record may claim what lies behind the end of a medium that was cut.
                long onIt = Math.min(length, medium - e.offset());
                if (onIt > 0) {
                    claim(e.offset(), onIt);
                }
            }
        }
        listed += finding.size();
        unstored += Math.max(0, finding.size() - stored);
    }

    /** Costs as much as the extent is long, however far away the next one that is claimed may be. */
    private void claim(long offset, long length) {
        long first = offset / block;
        long end = (offset + length + block - 1) / block;
        for (long at = first; at < end; ) {
            int word = (int) (at / Long.SIZE);
            long next = Math.min(end, (word + 1L) * Long.SIZE);
            long these = (-1L >>> (Long.SIZE - (next - at))) << (at % Long.SIZE);
            again += Long.bitCount(claimed[word] & these) * block;
            claimed[word] |= these;
            at = next;
        }
    }

    ScanReport.Claimed sum() {
        long blocks = Arrays.stream(claimed).map(Long::bitCount).sum();
        return new ScanReport.Claimed(listed, blocks * block, again, unstored);
    }
}
