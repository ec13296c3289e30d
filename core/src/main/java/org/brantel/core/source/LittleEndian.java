package org.brantel.core.source;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;

/** Unsigned little-endian values out of bytes at hand. Reading past their end throws {@link IndexOutOfBoundsException}. */
public final class LittleEndian {

    private static final VarHandle SHORT = MethodHandles.byteArrayViewVarHandle(short[].class, ByteOrder.LITTLE_ENDIAN);
    private static final VarHandle INT = MethodHandles.byteArrayViewVarHandle(int[].class, ByteOrder.LITTLE_ENDIAN);
    private static final VarHandle LONG = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);

    private LittleEndian() { }

    public static int u8(byte[] b, int at) {
        return b[at] & 0xff;
    }

    public static int u16(byte[] b, int at) {
        return (short) SHORT.get(b, at) & 0xffff;
    }

    public static long u32(byte[] b, int at) {
        return (int) INT.get(b, at) & 0xffffffffL;
    }

    /** Eight bytes as they are; negative where the highest bit is set. */
    public static long i64(byte[] b, int at) {
        return (long) LONG.get(b, at);
    }
}
