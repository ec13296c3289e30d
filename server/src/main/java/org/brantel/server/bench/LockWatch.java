package org.brantel.server.bench;

import java.util.List;
import java.util.function.Supplier;
import org.brantel.server.platform.Ticker;
import org.jspecify.annotations.Nullable;

/**
 * Looks now and then whether a device that is being read may still be touched; once it may not, it stays so for this
 * run.
 */
final class LockWatch {

    private static final int EVERY_MILLIS = 1500;

    private final Supplier<List<String>> untouchable;
    private final Ticker looks = new Ticker(EVERY_MILLIS);
    private @Nullable String why;

    /** @param untouchable why it must not be touched; empty when it may */
    LockWatch(Supplier<List<String>> untouchable) {
        this.untouchable = untouchable;
    }

    synchronized boolean isShut() {
        if (why == null && looks.due()) {
            why = untouchable.get().stream().findFirst().orElse(null);
        }
        return why != null;
    }

    /** The first reason; null while it may be touched. */
    synchronized @Nullable String why() {
        return why;
    }
}
