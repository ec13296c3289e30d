package org.brantel.core.bytes;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;

/** Looks at eight bytes at once, where asking one after the other would take most of the time. */
final class EightBytes {

    private static final VarHandle AT = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);
    private static final long ONES = 0x0101010101010101L;
    private static final long TOP_BITS = ONES << 7;
    private static final long OTHER_BITS = ~TOP_BITS;
    private static final int FIRST_CHARACTER = 0x20;
    /** Brings a byte of ASCII to where its top bit is set, if it is a character. */
    private static final long UP_TO_TOP = ONES * (0x80 - FIRST_CHARACTER);

    private static final long TABS = ONES * '\t';
    private static final long LINE_FEEDS = ONES * '\n';
    private static final long RETURNS = ONES * '\r';

    private EightBytes() {}

    /** Whether the eight bytes from {@code at} on are characters of ASCII (20 to 7F), tabs and line ends. */
    static boolean areText(byte[] bytes, int at) {
        long eight = (long) AT.get(bytes, at);
        long low = ~(eight + UP_TO_TOP);
        long odd = low & differ(eight, LINE_FEEDS) & differ(eight, RETURNS) & differ(eight, TABS);
        return ((odd | eight) & TOP_BITS) == 0;
    }

    /** The top bit of each byte that differs; both are of ASCII. */
    private static long differ(long some, long others) {
        return (some ^ others) + OTHER_BITS;
    }

    /**
     * The first place from {@code from} on, before {@code to}, at which a byte stands; {@code to} when there is none.
     */
    static int find(byte[] bytes, byte value, int from, int to) {
        long each = ONES * (value & 0xff);
        int i = from;
        for (; i <= to - Long.BYTES; i += Long.BYTES) {
            long other = (long) AT.get(bytes, i) ^ each;
            long same = other - ONES & ~other & TOP_BITS;
            if (same != 0) {
                return i + Long.numberOfTrailingZeros(same) / Byte.SIZE;
            }
        }
        while (i < to && bytes[i] != value) {
            i++;
        }
        return i;
    }
}
