package org.brantel.cli;

import java.io.PrintStream;

/** One line on standard error that is written over; silent when standard error is not a terminal. */
final class ProgressLine {

    private static final long EVERY_NANOS = 200_000_000L;

    private final PrintStream err;
    private final boolean shown;
    private long last;

    ProgressLine(boolean forced) {
        this.err = System.err;
        this.shown = forced || System.console() != null;
    }

    void show(String phase, long done, long all) {
        long now = System.nanoTime();
        if (!shown || now - last < EVERY_NANOS) {
            return;
        }
        last = now;
        err.printf("\r%s %5.1f %%  ", phase, all == 0 ? 100.0 : 100.0 * done / all);
    }

    void done() {
        if (shown && last != 0) {
            err.println();
        }
    }
}
