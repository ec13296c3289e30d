package org.brantel.core.bytes;

/**
 * Unsigned little-endian values out of bytes at hand. Reading past their end throws {@link IndexOutOfBoundsException}.
 * Put together byte by byte: a scan is mostly over before the compiler has seen anything cleverer.
 */
public final class LittleEndian {

    private LittleEndian() {}

    public static int u8(byte[] b, int at) {
        return b[at] & 0xff;
    }

    public static int u16(byte[] b, int at) {
        return b[at] & 0xff | (b[at + 1] & 0xff) << 8;
    }

    public static long u32(byte[] b, int at) {
        return (b[at] & 0xff | (b[at + 1] & 0xff) << 8 | (b[at + 2] & 0xff) << 16 | b[at + 3] << 24) & 0xffffffffL;
    }

    /** Four bytes with a sign. */
    public static long i32(byte[] b, int at) {
        return (int) u32(b, at);
    }

    /** Eight bytes as they are; negative where the highest bit is set. */
    public static long i64(byte[] b, int at) {
        return u32(b, at) | u32(b, at + 4) << 32;
    }
}
