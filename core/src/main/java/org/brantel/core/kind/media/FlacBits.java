package org.brantel.core.kind.media;

import java.io.IOException;
import org.brantel.core.bytes.ByteView;

/**
 * Bits of a FLAC frame, most significant first, with the CRC-16 (polynomial 8005) over the bytes that were taken up.
 */
final class FlacBits {

    private static final int[] CRC16 = new int[256];

    static {
        for (int i = 0; i < 256; i++) {
            int r = i << 8;
            for (int bit = 0; bit < 8; bit++) {
                r = (r << 1 ^ ((r & 0x8000) != 0 ? 0x8005 : 0)) & 0xffff;
            }
            CRC16[i] = r;
        }
    }

    private final ByteView content;
    private final byte[] chunk = new byte[8192];
    private long chunkAt;
    private int position;
    private int limit;
    private int crc;
    private long held;
    private int count;

    FlacBits(ByteView content) {
        this.content = content;
    }

    /** Begins a frame. */
    void begin(long at) {
        if (at < chunkAt || at >= chunkAt + limit) {
            chunkAt = at;
            limit = 0;
        }
        position = (int) (at - chunkAt);
        count = 0;
        crc = 0;
    }

    private int nextByte() throws IOException {
        if (position >= limit) {
            chunkAt += position;
            position = 0;
            limit = 0;
            int n = (int) Math.min(chunk.length, content.length() - chunkAt);
            if (n <= 0) {
                content.u8(chunkAt);
            }
            content.copy(chunkAt, chunk, 0, n);
            limit = n;
        }
        int value = chunk[position++] & 0xff;
        crc = crc << 8 & 0xff00 ^ CRC16[crc >> 8 ^ value];
        return value;
    }

    int take(int bits) throws IOException {
        if (bits == 0) {
            return 0;
        }
        while (count < bits) {
            held = held << 8 | nextByte();
            count += 8;
        }
        count -= bits;
        return (int) (held >>> count & (1L << bits) - 1);
    }

    /** Zeros up to a one. */
    int unary() throws IOException {
        int zeros = 0;
        while (true) {
            if (count == 0) {
                held = nextByte();
                count = 8;
            }
            long rest = held & (1L << count) - 1;
            if (rest != 0) {
                int lead = Long.numberOfLeadingZeros(rest) - (64 - count);
                count -= lead + 1;
                return zeros + lead;
            }
            zeros += count;
            count = 0;
            if (zeros > 1 << 20) {
                return zeros;
            }
        }
    }

    void skip(long bits) throws IOException {
        long left = bits;
        while (left > 0) {
            int n = (int) Math.min(24, left);
            take(n);
            left -= n;
        }
    }

    void align() {
        count -= count % 8;
    }

    int crc() {
        return crc;
    }

    /** Where the next byte stands that was not taken up; only when aligned. */
    long at() {
        return chunkAt + position - count / 8;
    }
}
