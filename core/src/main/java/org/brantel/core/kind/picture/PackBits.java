package org.brantel.core.kind.picture;

import java.io.IOException;
import org.brantel.core.bytes.ByteView;

/**
 * Lines packed by runs (TIFF 6.0, section 9): a byte n up to 127 is followed by n + 1 bytes as they are, one from 129
 * on by a byte that stands for 257 - n; 128 says nothing.
 */
final class PackBits {

    private PackBits() {}

    /** Whether packed bytes come to just so many. */
    static boolean fill(ByteView content, long from, long packed, long bytes) throws IOException {
        long end = from + packed;
        long made = 0;
        if (end > content.length()) {
            return false;
        }
        for (long at = from; at < end; ) {
            int n = content.u8(at);
            boolean plain = n < 128;
            at += plain ? n + 2 : n == 128 ? 1 : 2;
            made += plain ? n + 1 : n == 128 ? 0 : 257 - n;
            if (at > end || made > bytes) {
                return false;
            }
        }
        return made == bytes;
    }
}
