package org.brantel.core.image;

import java.util.Locale;

/** What is known of a stretch of a medium that is being imaged. */
public enum BlockState {
    /** Never asked for. */
    UNASKED,
    /** Its bytes are in the image. */
    READ,
    /** Skipped or failed in a large block; it will be tried again in smaller pieces. */
    DEFERRED,
    /** Single sectors that did not read. */
    FAILED;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** {@code untried} is what version 1 of the map called the first one. */
    public static BlockState ofWord(String word) {
        if ("untried".equals(word)) {
            return UNASKED;
        }
        for (BlockState state : values()) {
            if (state.word().equals(word)) {
                return state;
            }
        }
        throw new IllegalArgumentException("no block state is called '" + word + "'");
    }
}
