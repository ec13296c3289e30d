package org.brantel.core.bytes;

/** Unsigned big-endian values out of bytes at hand. Reading past their end throws {@link IndexOutOfBoundsException}. */
public final class BigEndian {

    private BigEndian() {}

    public static int u16(byte[] b, int at) {
        return (b[at] & 0xff) << 8 | b[at + 1] & 0xff;
    }

    public static long u32(byte[] b, int at) {
        return (b[at] << 24 | (b[at + 1] & 0xff) << 16 | (b[at + 2] & 0xff) << 8 | b[at + 3] & 0xff) & 0xffffffffL;
    }

    /** Eight bytes as they are; negative where the highest bit is set. */
    public static long i64(byte[] b, int at) {
        return u32(b, at) << 32 | u32(b, at + 4);
    }
}
