package org.brantel.core.imaging;

/** The passes of an imaging session, in order; {@link #FILES} stands by itself. */
public enum Pass {
    /** Large blocks from the start; after trouble it jumps away, farther each time. */
    SWEEP("sweep"),
    /** What the sweep jumped over, from the far end. */
    BACK_SWEEP("back-sweep"),
    /**
     * Closes in on each bad stretch: looks for islands in what was never reached, then goes through what was only slow,
     * then comes in from the edges of what failed in a block.
     */
    NARROWING("narrowing"),
    /** What is left of failed blocks, sector by sector. */
    SINGLE_SECTOR("single-sector"),
    /** Sectors that failed alone, tried again a bounded number of times. */
    PERSISTENCE("persistence"),
    /** None of an image's passes: what a reader of files asks for, in the reader's order. */
    FILES("files");

    private final String word;

    Pass(String word) {
        this.word = word;
    }

    public String word() {
        return word;
    }
}
