package org.brantel.server.platform;

import java.io.IOException;

/** Lets something happen at most every so often: progress is for people, not for every block. Not thread-safe. */
public final class Ticker {

    private final long everyNanos;
    private long last;

    public Ticker(long everyMillis) {
        this.everyNanos = everyMillis * 1_000_000;
        this.last = System.nanoTime() - everyNanos;
    }

    public boolean due() {
        long now = System.nanoTime();
        if (now - last < everyNanos) {
            return false;
        }
        last = now;
        return true;
    }

    /** A job that ends because its server does; db-scheduler runs it again on the next one. */
    public static final class ServerStops extends IOException {
        private static final long serialVersionUID = 1L;

        public ServerStops(String job) {
            super(job + " stops with its server and goes on with the next one");
        }
    }
}
