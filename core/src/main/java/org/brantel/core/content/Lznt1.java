package org.brantel.core.content;

import java.util.Arrays;

/**
 * LZNT1, the compression of single files on NTFS, little-endian (MS-XCA section 2.5).
 *
 * <pre>
 * chunk header, 2 bytes: 0 ends the data
 *   bits 0-11  bytes of the chunk's data, less 1
 *   bits 12-14 signature 3
 *   bit  15    the data are packed; else they are 4096 plain bytes
 * packed data: a flag byte before every 8 elements, lowest bit first; 0 a literal byte, 1 two bytes that give
 *   length - 3 in the low bits and distance - 1 in the high bits; the more of the chunk is out, the more bits the
 *   distance has: 4 up to 16 bytes, one more with every doubling
 * </pre>
 */
final class Lznt1 {

    private static final int CHUNK = 4096;

    private Lznt1() {}

    /**
     * Unpacks one unit.
     *
     * @param packed bytes, {@code packedLength} of them valid
     * @param out    filled from its start; what the data do not reach is zeros
     * @return false when the data are malformed; {@code out} is then without meaning
     */
    public static boolean unpack(byte[] packed, int packedLength, byte[] out) {
        int in = 0;
        int chunk = 0;
        while (chunk < out.length && in + 2 <= packedLength) {
            int header = u16(packed, in);
            if (header == 0) {
                break;
            }
            int length = (header & 0xfff) + 1;
            in += 2;
            if ((header >> 12 & 7) != 3 || in + length > packedLength) {
                return false;
            }
            int room = Math.min(CHUNK, out.length - chunk);
            int made;
            if ((header & 0x8000) == 0) {
                made = Math.min(length, room);
                System.arraycopy(packed, in, out, chunk, made);
            } else {
                made = unpackChunk(packed, in, in + length, out, chunk, room);
                if (made < 0) {
                    return false;
                }
            }
            Arrays.fill(out, chunk + made, chunk + room, (byte) 0);
            in += length;
            chunk += CHUNK;
        }
        if (chunk < out.length) {
            Arrays.fill(out, chunk, out.length, (byte) 0);
        }
        return true;
    }

    private static int unpackChunk(byte[] packed, int from, int end, byte[] out, int base, int room) {
        int in = from;
        int made = 0;
        while (in < end && made < room) {
            int flags = packed[in++] & 0xff;
            for (int bit = 0; bit < 8 && in < end && made < room; bit++) {
                if ((flags >> bit & 1) == 0) {
                    out[base + made++] = packed[in++];
                    continue;
                }
                if (in + 2 > end) {
                    return -1;
                }
                int pair = u16(packed, in);
                in += 2;
                int distanceBits = Math.max(4, 32 - Integer.numberOfLeadingZeros(Math.max(0, made - 1)));
                int distance = (pair >> 16 - distanceBits) + 1;
                int length = (pair & (1 << 16 - distanceBits) - 1) + 3;
                if (distance > made) {
                    return -1;
                }
                for (int i = 0; i < length && made < room; i++, made++) {
                    out[base + made] = out[base + made - distance];
                }
            }
        }
        return made;
    }

    private static int u16(byte[] b, int at) {
        return b[at] & 0xff | (b[at + 1] & 0xff) << 8;
    }
}
