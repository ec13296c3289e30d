package org.brantel.core.source;

import java.util.function.IntPredicate;

/** Some of the 256 values of a byte. */
public final class ByteSet {

    private static final long LOW_BITS = 0x0101010101010101L;
    private static final long HIGH_BITS = LOW_BITS << 7;
    private static final long SPACES = LOW_BITS * ' ';

    private final boolean[] holds = new boolean[256];
    /** It holds all from the space to the last of ASCII, which can be told of eight bytes at a time. */
    private final boolean allPrinted;

    private ByteSet(IntPredicate which) {
        boolean all = true;
        for (int value = 0; value < 256; value++) {
            holds[value] = which.test(value);
            all &= holds[value] || value < ' ' || value > 0x7f;
        }
        allPrinted = all;
    }

    public static ByteSet of(IntPredicate which) {
        return new ByteSet(which);
    }

    public ByteSet without(int value) {
        return of(c -> c != value && holds[c]);
    }

    public boolean has(int value) {
        return holds[value];
    }

    /** The first place in a stretch of bytes whose value is none of these; {@code to} when there is none. */
    int past(byte[] bytes, int from, int to) {
        int i = from;
        while (i < to && holds[bytes[i] & 0xff]) {
            i++;
            if (allPrinted && i + 8 <= to) {
                long eight = ByteView.eight(bytes, i);
                while (((eight - SPACES | eight) & HIGH_BITS) == 0) {
                    i += 8;
                    if (i + 8 > to) {
                        break;
                    }
                    eight = ByteView.eight(bytes, i);
                }
            }
        }
        return i;
    }
}
