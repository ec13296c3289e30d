package org.brantel.core.imaging;

import java.util.Locale;

/** The passes of an imaging session, in order. */
public enum Pass {
    /** Large blocks from the start; after a fault it jumps away. */
    SWEEP("sweep"),
    /** Back over what the sweep jumped, from the far end, still in large blocks. */
    BACK_SWEEP("back-sweep"),
    /** What failed in a large block, sector by sector. */
    SINGLE_SECTOR("single-sector"),
    /** Sectors that failed alone, tried again a bounded number of times. */
    PERSISTENCE("persistence");

    private final String word;

    Pass(String word) {
        this.word = word.toLowerCase(Locale.ROOT);
    }

    public String word() {
        return word;
    }
}
