package org.brantel.core.kind;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32;
import org.brantel.core.bytes.ByteSet;
import org.brantel.core.bytes.ByteView;

/** Small questions about bytes. */
public final class Bytes {

    private static final int CHUNK = 32 << 10;
    private static final int MOST_BLANK = 512;
    /** White space of texts. */
    public static final ByteSet BLANK = ByteSet.of(c -> c == '\n' || c == '\r' || c == ' ' || c == '\t');

    private Bytes() {}

    public static byte[] latin(String text) {
        return text.getBytes(StandardCharsets.ISO_8859_1);
    }

    public static boolean match(byte[] block, int at, byte[] expected) {
        if (at < 0 || at > block.length - expected.length) {
            return false;
        }
        for (int i = 0; i < expected.length; i++) {
            if (block[at + i] != expected[i]) {
                return false;
            }
        }
        return true;
    }

    /** Characters of ISO 8859-1; fewer where the content ends. */
    public static String text(ByteView content, long at, int most) throws IOException {
        int n = (int) Math.max(0, Math.min(most, content.length() - at));
        return new String(content.bytes(at, n), StandardCharsets.ISO_8859_1);
    }

    /** Up to a zero byte, or to {@code most} bytes. */
    public static String upToZero(ByteView content, long at, int most) throws IOException {
        String text = text(content, at, most);
        int zero = text.indexOf(0);
        return zero < 0 ? text : text.substring(0, zero);
    }

    /** CRC-32 as in ISO 3309. */
    public static long crc32(ByteView content, long at, long length) throws IOException {
        CRC32 crc = new CRC32();
        byte[] chunk = new byte[(int) Math.min(CHUNK, Math.max(0, length))];
        for (long done = 0; done < length; ) {
            int n = (int) Math.min(length - done, chunk.length);
            content.copy(at + done, chunk, 0, n);
            crc.update(chunk, 0, n);
            done += n;
        }
        return crc.getValue();
    }

    /** Four printable characters, as the codes of chunks and boxes are. */
    public static boolean isFourCharacters(ByteView content, long at) throws IOException {
        for (int i = 0; i < 4; i++) {
            int c = content.u8(at + i);
            if (c < 0x20 || c > 0x7e && c != 0xa9) {
                return false;
            }
        }
        return true;
    }

    public static String fourCharacters(ByteView content, long at) throws IOException {
        return text(content, at, 4);
    }

    /**
     * A number of 7 bits a byte, the lowest first, with the highest bit set in all but its last; as in rar 5 and xz.
     *
     * @param at one place, moved behind it
     * @return -1 when it has no end
     */
    public static long sevenBits(ByteView content, long[] at) throws IOException {
        long value = 0;
        for (int shift = 0; shift < 63; shift += 7) {
            int b = content.u8(at[0]++);
            value |= (long) (b & 0x7f) << shift;
            if (b < 0x80) {
                return value;
            }
        }
        return -1;
    }

    /**
     * A line end right behind the content belongs to it; more of them, and blanks, do where only zeros follow, as in
     * the rest of a file's last sector.
     */
    public static long withLineEnd(ByteView content, long at) throws IOException {
        long blank = content.past(BLANK, at, Math.min(content.length(), at + MOST_BLANK));
        if (blank == content.length() || content.u8(blank) == 0) {
            return blank;
        }
        long end = at;
        if (end < content.length() && content.u8(end) == '\r') {
            end++;
        }
        return end < content.length() && content.u8(end) == '\n' ? end + 1 : at;
    }
}
