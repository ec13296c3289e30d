package org.brantel.core.imaging;

import java.io.InterruptedIOException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.BooleanSupplier;
import java.util.function.LongSupplier;

/**
 * A limit on bytes a second that any number of sessions share. Each takes its turn in the order of asking, a slice at a
 * time, so that large requests do not crowd out small ones: with n sessions wanting more than there is, each has an
 * n-th.
 */
public final class SharedRate {

    private static final int SLICE = 64 << 10;
    private static final long LONGEST_NAP_NANOS = 200_000_000;

    private final LongSupplier bytesPerSecond;
    private final ReentrantLock turn = new ReentrantLock(true);
    private long free = System.nanoTime();

    /** @param bytesPerSecond asked for every slice; 0 for no limit */
    public SharedRate(LongSupplier bytesPerSecond) {
        this.bytesPerSecond = bytesPerSecond;
    }

    /**
     * Waits for the turn of so many bytes.
     *
     * @param stop ends the waiting
     */
    public void take(long bytes, BooleanSupplier stop) throws InterruptedIOException {
        for (long left = bytes; left > 0 && bytesPerSecond.getAsLong() > 0; left -= SLICE) {
            sleepUntil(reserve(Math.min(left, SLICE)), stop);
        }
    }

    private long reserve(long bytes) {
        turn.lock();
        try {
            long rate = bytesPerSecond.getAsLong();
            long from = Math.max(System.nanoTime(), free);
            free = rate <= 0 ? from : from + (long) (bytes * 1e9 / rate);
            return free;
        } finally {
            turn.unlock();
        }
    }

    private static void sleepUntil(long when, BooleanSupplier stop) throws InterruptedIOException {
        for (long left = when - System.nanoTime(); left > 0 && !stop.getAsBoolean(); left = when - System.nanoTime()) {
            try {
                TimeUnit.NANOSECONDS.sleep(Math.min(left, LONGEST_NAP_NANOS));
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new InterruptedIOException("interrupted while waiting for its share of the rate");
            }
        }
    }
}
