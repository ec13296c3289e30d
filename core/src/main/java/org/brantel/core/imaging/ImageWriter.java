package org.brantel.core.imaging;

import java.io.Closeable;
import java.io.IOException;
import java.io.InterruptedIOException;
import java.util.List;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.brantel.core.bytes.Range;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.MapJournal;
import org.brantel.core.image.ReadMap;
import org.jspecify.annotations.Nullable;

/**
 * Writes what was read, on a thread of its own, so that the device does not wait for the disk. The map's journal is
 * written here too, always behind the bytes that it speaks of. A bounded number of buffers goes round.
 */
final class ImageWriter implements Closeable {

    private static final long SAVE_BYTES = 256L << 20;
    private static final long SAVE_NANOS = 1_000_000_000L;
    /** The same while somebody waits for what is read. */
    private static final long SAVE_SOON_NANOS = 100_000_000L;

    private static final long NAP_MILLIS = 50;
    private static final int SETTLE_NANOS = 200_000;
    private static final int BUFFERED_BYTES = 32 << 20;
    /** Room that the map's next lines take at most, for telling a full disk from another failure. */
    private static final long MAP_LINES = 64 << 10;

    /** One request's outcome, on its way to the disk. */
    private record Block(byte[] buffer, Range range, List<ReadMap.Run> marks, String pass, int round) {}

    private final ImageFile image;
    private final MapJournal journal;
    private final SettledHashes hashes;
    private final BlockingQueue<byte[]> free;
    private final BlockingQueue<Block> waiting;
    private final Thread thread = new Thread(this::work, "image writer");
    private volatile boolean closing;
    private @Nullable volatile IOException failure;
    private boolean told;
    private volatile long savedAt = System.nanoTime();
    private volatile boolean waitedFor;
    private long unsavedBytes;
    /** Blocks that were handed over and are not in the image yet. */
    private final AtomicInteger underway = new AtomicInteger();

    ImageWriter(ImageFile image, MapJournal journal, SettledHashes hashes, int blockBytes) {
        this.image = image;
        this.journal = journal;
        this.hashes = hashes;
        int buffers = Math.max(4, BUFFERED_BYTES / blockBytes);
        free = new ArrayBlockingQueue<>(buffers);
        waiting = new ArrayBlockingQueue<>(buffers);
        for (int i = 0; i < buffers; i++) {
            free.add(new byte[blockBytes]);
        }
        thread.start();
    }

    /**
     * A buffer to read into, once there is one.
     *
     * @throws IOException when writing has failed
     */
    byte[] buffer() throws IOException {
        try {
            while (true) {
                check();
                byte[] buffer = free.poll(NAP_MILLIS, TimeUnit.MILLISECONDS);
                if (buffer != null) {
                    return buffer;
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new InterruptedIOException("interrupted while the image was written");
        }
    }

    void giveBack(byte[] buffer) {
        free.add(buffer);
    }

    /** Whether somebody waits for what is read, so that it is saved sooner. */
    void waitedFor(boolean now) {
        waitedFor = now;
    }

    /**
     * @param buffer holds the range's bytes from its start on; it goes back into the round
     * @param pass   as the map's journal calls it
     */
    void write(byte[] buffer, Range range, List<ReadMap.Run> marks, String pass, int round) {
        underway.incrementAndGet();
        waiting.add(new Block(buffer, range, marks, pass, round));
    }

    /** Waits until all that was handed over can be read from the image. */
    void settle() throws IOException {
        try {
            while (underway.get() > 0) {
                check();
                Thread.sleep(0, SETTLE_NANOS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new InterruptedIOException("interrupted while the image was written");
        }
    }

    /** System.nanoTime() of when the map was last safe on the disk. */
    long savedAt() {
        return savedAt;
    }

    private void check() throws IOException {
        if (failure != null && !told) {
            told = true;
            throw failure;
        }
    }

    private void work() {
        try {
            while (true) {
                Block block = waiting.poll(NAP_MILLIS, TimeUnit.MILLISECONDS);
                if (block != null) {
                    take(block);
                } else if (closing && waiting.isEmpty()) {
                    return;
                } else if (unsavedBytes > 0) {
                    saveWhenDue();
                }
            }
        } catch (IOException e) {
            failure = e;
        } catch (InterruptedException e) {
            failure = new InterruptedIOException("interrupted while the image was written");
        } catch (RuntimeException e) {
            failure = new IOException("the image could not be written: " + e.getMessage(), e);
        }
    }

    private void take(Block block) throws IOException {
        for (ReadMap.Run mark : block.marks()) {
            Range part = mark.range();
            if (mark.state() == BlockState.READ) {
                image.write(
                        block.buffer(),
                        (int) (part.offset() - block.range().offset()),
                        (int) part.length(),
                        part.offset());
                hashes.settled(part);
            }
            journal.note(part, mark.state(), block.pass(), block.round());
        }
        unsavedBytes += block.range().length();
        underway.decrementAndGet();
        free.add(block.buffer());
        saveWhenDue();
    }

    private void saveWhenDue() throws IOException {
        if (unsavedBytes >= SAVE_BYTES || System.nanoTime() - savedAt > (waitedFor ? SAVE_SOON_NANOS : SAVE_NANOS)) {
            save();
        }
    }

    private void save() throws IOException {
        try {
            image.force();
            journal.flush();
        } catch (IOException e) {
            throw image.asFull(e, MAP_LINES);
        }
        unsavedBytes = 0;
        savedAt = System.nanoTime();
    }

    /**
     * Writes what is waiting and saves the map.
     *
     * @throws IOException when some of it could not be written
     */
    @Override
    public void close() throws IOException {
        closing = true;
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new InterruptedIOException("interrupted while the image was written");
        }
        // Also after a failure: what came before it is in the image, and the map may say so.
        save();
        check();
    }
}
