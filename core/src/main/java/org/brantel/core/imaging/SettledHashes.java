package org.brantel.core.imaging;

import java.io.Closeable;
import java.io.IOException;
import java.io.InterruptedIOException;
import java.nio.ByteBuffer;
import java.security.MessageDigest;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import java.util.function.BooleanSupplier;
import org.brantel.core.bytes.Range;
import org.brantel.core.hash.Hashes;
import org.jspecify.annotations.Nullable;

/**
 * Hashes an image while it is being read: each chunk on one thread as soon as all its bytes have settled, the whole on
 * another as far as everything from the start has. Each byte passes each hash once. What has gaps is hashed at the end,
 * with zeros where nothing was read.
 */
final class SettledHashes implements Closeable {

    private static final int SLICE = 1 << 20;
    private static final long WAIT_MILLIS = 100;
    private static final int DIGEST = 32;

    private final ImageFile image;
    private final long size;
    private final int chunkBytes;
    private final int chunks;
    private final int[] missing;
    private final byte[] digests;
    private final Queue<Integer> ready = new ArrayDeque<>();
    private final Thread chunkThread = new Thread(this::hashChunks, "chunk hashes");
    private final Thread wholeThread = new Thread(this::hashWhole, "whole-image hash");
    private boolean closed;
    private boolean all;
    private int chunksDone;
    private long wholeDone;
    private @Nullable String whole;
    private @Nullable IOException failure;

    SettledHashes(ImageFile image, long size, int chunkBytes) {
        this.image = image;
        this.size = size;
        this.chunkBytes = chunkBytes;
        chunks = (int) ((size + chunkBytes - 1) / chunkBytes);
        missing = new int[chunks];
        for (int i = 0; i < chunks; i++) {
            missing[i] = (int) (end(i) - start(i));
        }
        digests = new byte[chunks * DIGEST];
        chunkThread.setDaemon(true);
        wholeThread.setDaemon(true);
    }

    void start() {
        chunkThread.start();
        wholeThread.start();
    }

    private long start(int chunk) {
        return (long) chunk * chunkBytes;
    }

    private long end(int chunk) {
        return Math.min(size, start(chunk) + chunkBytes);
    }

    /** Bytes of the image that were read and will not change. No byte is told twice. */
    synchronized void settled(Range range) {
        for (int c = (int) (range.offset() / chunkBytes); c < chunks && start(c) < range.end(); c++) {
            missing[c] -= (int)
                    new Range(start(c), end(c) - start(c)).intersection(range).length();
            if (missing[c] == 0) {
                ready.add(c);
                notifyAll();
            }
        }
    }

    private synchronized void allSettled() {
        for (int c = 0; c < chunks; c++) {
            if (missing[c] > 0) {
                missing[c] = 0;
                ready.add(c);
            }
        }
        all = true;
        notifyAll();
    }

    /**
     * What is left of hashing, once nothing more will be read.
     *
     * @return empty when told to stop
     */
    Optional<ImageHashes> finish(ImageHashes.Progress progress, BooleanSupplier stop) throws IOException {
        allSettled();
        while (true) {
            synchronized (this) {
                if (failure != null) {
                    throw failure;
                }
                if (chunksDone == chunks && whole != null) {
                    return Optional.of(new ImageHashes(ImageHashes.FORMAT, 1, size, whole, chunkBytes, inHex()));
                }
                waitABit();
                progress.at(Math.min(wholeDone, Math.min(size, (long) chunksDone * chunkBytes)), size);
            }
            if (stop.getAsBoolean()) {
                return Optional.empty();
            }
        }
    }

    /** Called in a loop; a wait that ends too early only looks once more. */
    @SuppressWarnings("WaitNotInLoop")
    private void waitABit() throws InterruptedIOException {
        try {
            wait(WAIT_MILLIS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new InterruptedIOException("interrupted while the image was hashed");
        }
    }

    private List<String> inHex() {
        List<String> hex = new ArrayList<>(chunks);
        for (int c = 0; c < chunks; c++) {
            hex.add(Hashes.hex(java.util.Arrays.copyOfRange(digests, c * DIGEST, (c + 1) * DIGEST)));
        }
        return hex;
    }

    private void hashChunks() {
        MessageDigest digest = Hashes.sha256();
        byte[] buffer = new byte[SLICE];
        for (int chunk = nextChunk(); chunk >= 0; chunk = nextChunk()) {
            try {
                for (long at = start(chunk); at < end(chunk) && !isClosed(); at += SLICE) {
                    update(digest, buffer, at, (int) Math.min(SLICE, end(chunk) - at));
                }
            } catch (IOException e) {
                fail(e);
                return;
            }
            byte[] made = digest.digest();
            synchronized (this) {
                System.arraycopy(made, 0, digests, chunk * DIGEST, DIGEST);
                chunksDone++;
                notifyAll();
            }
        }
    }

    private void update(MessageDigest digest, byte[] buffer, long at, int length) throws IOException {
        ByteBuffer into = ByteBuffer.wrap(buffer, 0, length);
        image.read(into, at);
        if (into.hasRemaining()) {
            throw new IOException("The image ends at " + (at + into.position()) + ", before its medium does.");
        }
        digest.update(buffer, 0, length);
    }

    /** @return -1 when there will be none */
    private synchronized int nextChunk() {
        while (!closed) {
            Integer next = ready.poll();
            if (next != null) {
                return next;
            }
            if (all) {
                return -1;
            }
            try {
                wait();
            } catch (InterruptedException e) {
                return -1;
            }
        }
        return -1;
    }

    private void hashWhole() {
        MessageDigest digest = Hashes.sha256();
        byte[] buffer = new byte[SLICE];
        try {
            for (long at = 0; at < size; at += SLICE) {
                if (!await(at)) {
                    return;
                }
                update(digest, buffer, at, (int) Math.min(SLICE, size - at));
            }
        } catch (IOException e) {
            fail(e);
            return;
        }
        synchronized (this) {
            whole = Hashes.hex(digest.digest());
            wholeDone = size;
            notifyAll();
        }
    }

    /**
     * Waits until the chunk at a place has settled.
     *
     * @return false when it never will
     */
    private synchronized boolean await(long at) {
        wholeDone = at;
        while (!closed && missing[(int) (at / chunkBytes)] > 0) {
            try {
                wait();
            } catch (InterruptedException e) {
                return false;
            }
        }
        return !closed;
    }

    private synchronized boolean isClosed() {
        return closed;
    }

    private synchronized void fail(IOException e) {
        if (!closed && failure == null) {
            failure = e;
        }
        notifyAll();
    }

    /** Ends both threads before the image is closed under them. */
    @Override
    public void close() {
        synchronized (this) {
            closed = true;
            notifyAll();
        }
        try {
            chunkThread.join();
            wholeThread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
