package org.brantel.core.source;

import java.util.Locale;

/** What is known of a stretch of a medium that is being imaged. */
public enum BlockState {
    /** Never asked for. */
    UNTRIED,
    /** Its bytes are in the image. */
    READ,
    /** Skipped or failed in a large block; it will be tried again in smaller pieces. */
    DEFERRED,
    /** Single sectors that did not read. */
    FAILED;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static BlockState ofWord(String word) {
        for (BlockState state : values()) {
            if (state.word().equals(word)) {
                return state;
            }
        }
        throw new IllegalArgumentException("no block state is called '" + word + "'");
    }
}
