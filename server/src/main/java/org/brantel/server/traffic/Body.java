package org.brantel.server.traffic;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.brantel.server.platform.Refusal;
import org.jspecify.annotations.Nullable;

/** A body as far as it came in: a short one in memory, a longer one in a file that goes with the process. */
final class Body implements Closeable {

    /** Bytes; what people type is shorter, and thousands of strangers who send as much at once fit into memory. */
    static final int SHORT = 16 << 10;

    /** Bytes that are read beyond the limit and forgotten, so that whoever sends them hears why they were refused. */
    private static final long FORGOTTEN = 32L << 20;

    private final long limit;
    private final Path folder;
    private final ByteArrayOutputStream memory = new ByteArrayOutputStream(512);
    private @Nullable FileChannel file;
    private @Nullable Refusal refused;
    private long length;

    /**
     * @param limit  bytes that are kept at most
     * @param folder for a body that is not short
     */
    Body(long limit, Path folder) {
        this.limit = limit;
        this.folder = folder;
    }

    /** Takes what came; what cannot be kept is forgotten. */
    void take(byte[] bytes, int count) {
        length += count;
        if (refused != null) {
            return;
        }
        if (length > limit) {
            refuse(tooLarge(limit));
            return;
        }
        try {
            keep(bytes, count);
        } catch (IOException e) {
            refuse(Refusal.noRoom("What was sent could not be taken in (" + e.getMessage()
                    + "); tell whoever looks after the lab's disks, and send it again."));
        }
    }

    static Refusal tooLarge(long limit) {
        String most = limit < 1 << 20 ? limit / 1024 + " KiB" : limit / (1 << 20) + " MiB";
        return Refusal.tooLarge(
                "What was sent is larger than " + most + "; shorten it. What you typed is still in this browser.");
    }

    private void keep(byte[] bytes, int count) throws IOException {
        if (file == null && length <= SHORT) {
            memory.write(bytes, 0, count);
            return;
        }
        FileChannel to = file;
        if (to == null) {
            to = nameless();
            file = to;
            write(to, ByteBuffer.wrap(memory.toByteArray()));
            memory.reset();
        }
        write(to, ByteBuffer.wrap(bytes, 0, count));
    }

    /** Its name is gone at once: nothing of it is left by a process that is killed. */
    private FileChannel nameless() throws IOException {
        Path named = Files.createTempFile(Files.createDirectories(folder), "body-", "");
        try {
            return FileChannel.open(named, StandardOpenOption.READ, StandardOpenOption.WRITE);
        } finally {
            Files.delete(named);
        }
    }

    private static void write(FileChannel to, ByteBuffer bytes) throws IOException {
        while (bytes.hasRemaining()) {
            to.write(bytes);
        }
    }

    private void refuse(Refusal why) {
        refused = why;
        memory.reset();
    }

    /** Whether so much came that its sender is not listened to any longer. */
    boolean isEndless() {
        return length > limit + FORGOTTEN;
    }

    /** Why it is not taken; null when it is. */
    @Nullable
    Refusal refused() {
        return refused;
    }

    long length() {
        return length;
    }

    /** All of it, from its beginning. */
    InputStream content() throws IOException {
        return file == null
                ? new ByteArrayInputStream(memory.toByteArray())
                : Channels.newInputStream(file.position(0));
    }

    @Override
    public void close() throws IOException {
        if (file != null) {
            file.close();
        }
    }
}
