package org.brantel.core.carve;

import java.io.IOException;
import java.util.zip.CRC32;
import org.brantel.core.source.ByteView;

/**
 * PNG (ISO/IEC 15948, section 5): an 8-byte signature, then chunks, big-endian:
 *
 * <pre>
 * offset size field
 *      0    4  length of the data, at most 2^31 - 1
 *      4    4  type, four ASCII letters; IHDR first, IEND last
 *      8    n  data
 *    8+n    4  CRC-32 over type and data
 * </pre>
 */
final class Png implements ContentKind {

    private static final byte[] SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10};
    private static final long IHDR = 0x49484452;
    private static final long IDAT = 0x49444154;
    private static final long IEND = 0x49454e44;

    @Override
    public String code() {
        return "png";
    }

    @Override
    public boolean startsAt(byte[] block, int at) {
        return Bytes.match(block, at, SIGNATURE);
    }

    @Override
    public long longest() {
        return 2L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        if (!content.startsWith(0, SIGNATURE)) {
            return Walk.broken(0, "does not begin as a PNG");
        }
        long at = SIGNATURE.length;
        boolean data = false;
        for (int chunks = 0; ; chunks++) {
            long length = content.u32be(at);
            long type = content.u32be(at + 4);
            if (length > Integer.MAX_VALUE || !letters(type) || (chunks == 0) != (type == IHDR)) {
                return Walk.broken(at, "a chunk is malformed");
            }
            if (length > content.length() - at - 12) {
                return Walk.broken(at, "a chunk of " + length + " bytes leaves the content");
            }
            if (crc(content, at + 4, length + 4) != content.u32be(at + 8 + length)) {
                return Walk.broken(at, "a chunk's CRC is wrong");
            }
            data |= type == IDAT;
            at += 12 + length;
            if (type == IEND) {
                return data ? Walk.whole(at, "Every chunk's CRC is right (" + (chunks + 1) + " chunks).")
                        : Walk.broken(at, "no picture data before the end");
            }
        }
    }

    private static boolean letters(long type) {
        for (int shift = 0; shift < 32; shift += 8) {
            int c = (int) (type >> shift & 0xdf);
            if (c < 'A' || c > 'Z') {
                return false;
            }
        }
        return true;
    }

    private static long crc(ByteView content, long at, long length) throws IOException {
        CRC32 crc = new CRC32();
        for (long done = 0; done < length; ) {
            int n = (int) Math.min(length - done, 32 << 10);
            crc.update(content.bytes(at + done, n));
            done += n;
        }
        return crc.getValue();
    }
}
