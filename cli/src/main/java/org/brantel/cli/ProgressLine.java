package org.brantel.cli;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;

/** One line on standard error that is written over; silent when standard error is not a terminal. */
final class ProgressLine {

    private static final long EVERY_NANOS = 200_000_000L;

    private final PrintStream err;
    private final boolean shown;
    private long last;

    ProgressLine(boolean forced) {
        this.err = System.err;
        this.shown = forced || isTerminal();
    }

    /** The kernel's own word on where standard error goes; where there is none, it is taken for a file. */
    private static boolean isTerminal() {
        try {
            Path real = Path.of("/proc/self/fd/2").toRealPath();
            return real.startsWith("/dev/pts") || real.toString().startsWith("/dev/tty");
        } catch (IOException e) {
            return false;
        }
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
