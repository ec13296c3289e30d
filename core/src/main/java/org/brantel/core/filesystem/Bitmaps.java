package org.brantel.core.filesystem;

import java.io.IOException;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.source.Source;

/** Allocation bitmaps: a bit a cluster, the lowest bit of a byte first. */
public final class Bitmaps {

    private static final int BLOCK = 64 << 10;

    private Bitmaps() {}

    /**
     * Takes over what a bitmap says; what it does not reach, or what was not read of it, is in doubt.
     *
     * @param first the cluster of its first bit
     */
    public static void use(Source bitmap, Space space, long first) throws IOException {
        use(bitmap, space, first, space.count());
    }

    /** @param clusters how many of its bits count */
    public static void use(Source bitmap, Space space, long first, long clusters) throws IOException {
        byte[] block = new byte[(int) Math.min(BLOCK, Math.max(1, bitmap.size()))];
        long bytes = Math.min(bitmap.size(), (clusters + 7) / 8);
        for (long at = 0; at < bytes; at += block.length) {
            int n = (int) Math.min(block.length, bytes - at);
            RangeSet failed = RangeSet.of(bitmap.read(at, block, 0, n).failed());
            for (int i = 0; i < n; i++) {
                long cluster = first + (at + i) * 8;
                int valid = (int) Math.min(8, clusters - (at + i) * 8);
                if (!failed.isEmpty() && failed.overlaps(new Range(at + i, 1))) {
                    space.doubt(cluster, valid);
                } else {
                    useByte(block[i] & 0xff & (1 << valid) - 1, space, cluster);
                }
            }
        }
        if (bytes * 8 < clusters) {
            space.doubt(first + bytes * 8, clusters - bytes * 8);
        }
    }

    private static void useByte(int bits, Space space, long cluster) {
        if (bits == 0xff) {
            space.use(cluster, 8);
            return;
        }
        for (int bit = 0; bits >> bit != 0; bit++) {
            if ((bits >> bit & 1) != 0) {
                space.use(cluster + bit, 1);
            }
        }
    }
}
