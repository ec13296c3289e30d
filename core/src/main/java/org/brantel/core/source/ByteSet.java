package org.brantel.core.source;

import java.util.function.IntPredicate;

/** Some of the 256 values of a byte. */
public final class ByteSet {

    private final boolean[] holds = new boolean[256];

    private ByteSet(IntPredicate which) {
        for (int value = 0; value < 256; value++) {
            holds[value] = which.test(value);
        }
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
        }
        return i;
    }
}
