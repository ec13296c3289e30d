package org.brantel.core.bytes;

import java.util.function.IntPredicate;

/** Some of the 256 values of a byte. */
public final class ByteSet {

    private final boolean[] holds = new boolean[256];
    /** Whether it has all of ASCII that texts are of, so that eight bytes can be seen at once to be some of these. */
    private final boolean text;

    private ByteSet(IntPredicate which) {
        for (int value = 0; value < 256; value++) {
            holds[value] = which.test(value);
        }
        boolean all = holds['\t'] && holds['\n'] && holds['\r'];
        for (int value = ' '; value < 0x80; value++) {
            all &= holds[value];
        }
        text = all;
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
        while (i < to) {
            int end = Math.min(to, i + Long.BYTES);
            if (text && end - i == Long.BYTES && EightBytes.areText(bytes, i)) {
                i = end;
                continue;
            }
            while (i < end) {
                if (!holds[bytes[i] & 0xff]) {
                    return i;
                }
                i++;
            }
        }
        return i;
    }
}
