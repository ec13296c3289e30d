package org.brantel.core.content;

import org.jspecify.annotations.Nullable;

/**
 * How stored bytes become content, where they are not the content itself: LZNT1, unit by unit. A unit whose stored
 * bytes fill it is not packed; one that is all hole is zeros.
 *
 * @param unitBytes bytes of content in a unit
 */
public record Packing(int unitBytes) {

    private static final String LZNT1 = "lznt1/";

    public Packing {
        if (unitBytes < 4096 || unitBytes > 1 << 24 || Integer.bitCount(unitBytes) != 1) {
            throw new IllegalArgumentException("a unit of " + unitBytes + " bytes cannot be unpacked");
        }
    }

    /** As findings carry it: {@code lznt1/65536}. */
    public String word() {
        return LZNT1 + unitBytes;
    }

    /** @param word as of {@link #word()}, or null */
    public static @Nullable Packing ofWord(@Nullable String word) {
        if (word == null) {
            return null;
        }
        if (!word.startsWith(LZNT1)) {
            throw new IllegalArgumentException("there is no encoding '" + word + "'");
        }
        return new Packing(Integer.parseInt(word.substring(LZNT1.length())));
    }
}
