package org.brantel.core.kind.media;

import java.io.IOException;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;

/**
 * Whether plain sound goes on as it was. WAVE data carry no check, but samples of 16 bits give themselves away: their
 * high bytes take few values where the low ones take many. A block of text, or one whose every byte is as random as the
 * next, was written by somebody else.
 */
final class Samples {

    /** What file systems give out at once, at least; a foreign piece begins at a multiple of it. */
    private static final int BLOCK = 4096;
    /** Bits that random bytes come to in a sample of 2,048, less a little. */
    private static final double RANDOM = 7.7;

    private static final double TEXT = 0.97;
    /** Bytes of zeros. */
    private static final int LONGEST_PAUSE = 1 << 20;

    private Samples() {}

    /** Whether the samples are of a form that gives foreign blocks away. */
    static boolean areKnown(ByteView content, long end) throws IOException {
        return data(content, end) >= 0;
    }

    /** @return where the samples begin; -1 when they are of another form */
    static long data(ByteView content, long end) throws IOException {
        long data = 12;
        int bits = 0;
        int format = 0;
        while (data + 8 <= end && !Bytes.text(content, data, 4).equals("data")) {
            if (Bytes.text(content, data, 4).equals("fmt ")) {
                format = content.u16le(data + 8);
                bits = content.u16le(data + 22);
            }
            long length = content.u32le(data + 4);
            data += 8 + length + (length & 1);
        }
        return format == 1 && bits == 16 ? data + 8 : -1;
    }

    /** @return the first such block; -1 when there is none, or the format is another */
    static long firstStrange(ByteView content, long end) throws IOException {
        long data = data(content, end);
        if (data < 0) {
            return -1;
        }
        byte[] block = new byte[BLOCK];
        int odd = (int) (data & 1);
        long strange = -1;
        boolean everSound = false;
        for (long at = (data + BLOCK) / BLOCK * BLOCK; at + BLOCK <= end; at += BLOCK) {
            content.copy(at, block, 0, BLOCK);
            boolean foreign = isForeign(block, odd);
            everSound |= !foreign;
            strange = foreign && strange < 0 ? at : strange;
        }
        // Noise throughout is sound, too.
        return everSound ? strange : -1;
    }

    /**
     * Where sound ends whose length nobody wrote: before the first foreign block, or before zeros that go on for longer
     * than a pause.
     *
     * @param data where the samples begin
     * @return the end of the last sample that is not zero
     */
    static long end(ByteView content, long data) throws IOException {
        byte[] block = new byte[BLOCK];
        int odd = (int) (data & 1);
        long sounding = data;
        long at = data;
        while (at < content.length() && at - sounding < LONGEST_PAUSE) {
            int length = (int) Math.min(BLOCK - at % BLOCK, content.length() - at);
            content.copy(at, block, 0, length);
            if (length == BLOCK && isForeign(block, odd)) {
                break;
            }
            int last = length;
            while (last > 0 && block[last - 1] == 0) {
                last--;
            }
            sounding = last > 0 ? at + last : sounding;
            at += length;
        }
        return sounding + (sounding - data & 1);
    }

    private static boolean isForeign(byte[] block, int odd) {
        return isText(block) || entropy(block, 1 - odd) > RANDOM && entropy(block, odd) > RANDOM;
    }

    private static boolean isText(byte[] block) {
        int plain = 0;
        for (byte b : block) {
            plain += b >= 0x20 && b < 0x7f || b == '\n' || b == '\r' || b == '\t' ? 1 : 0;
        }
        return plain > BLOCK * TEXT;
    }

    /** Of every second byte, in bits. */
    private static double entropy(byte[] block, int first) {
        int[] counts = new int[256];
        for (int i = first; i < BLOCK; i += 2) {
            counts[block[i] & 0xff]++;
        }
        double bits = 0;
        for (int n : counts) {
            if (n > 0) {
                double share = n / (BLOCK / 2.0);
                bits -= share * Math.log(share) / Math.log(2);
            }
        }
        return bits;
    }
}
