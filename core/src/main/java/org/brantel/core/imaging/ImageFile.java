package org.brantel.core.imaging;

import java.io.Closeable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import org.brantel.core.image.DestinationFull;
import org.brantel.core.source.SourceException;

/** The image on disk. Blocks of zeros take no room in it; while it is open nobody else writes to it. */
final class ImageFile implements Closeable {

    /** The smallest hole that file systems keep. */
    private static final int HOLE = 4096;

    private static final byte[] ZEROS = new byte[HOLE];

    private final Path path;
    private final FileChannel channel;
    private final DeviceLock mark;
    private final boolean fresh;

    private ImageFile(Path path, FileChannel channel, DeviceLock mark, boolean fresh) {
        this.path = path;
        this.channel = channel;
        this.mark = mark;
        this.fresh = fresh;
    }

    /** @param hasMap an image without a map is somebody's only copy of something, and is not overwritten */
    static ImageFile open(Path path, boolean hasMap) throws IOException {
        if (!hasMap && Files.exists(path) && Files.size(path) > 0) {
            throw new SourceException(path + " exists without a map; choose another name, or remove it to start over.");
        }
        Path folder = path.toAbsolutePath().getParent();
        if (folder == null || !Files.isDirectory(folder)) {
            throw new SourceException("There is no folder " + folder + " for the image.");
        }
        FileChannel channel =
                FileChannel.open(path, StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE);
        if (!DeviceLock.isLocked(channel)) {
            channel.close();
            throw new ImageInUse(path);
        }
        Optional<DeviceLock> mark = DeviceLock.take(keyOf(path));
        if (mark.isEmpty()) {
            channel.close();
            throw new ImageInUse(path);
        }
        return new ImageFile(path, channel, mark.get(), !hasMap);
    }

    /**
     * Whether a session is writing an image just now, in this process or another of this machine. Told by a lock of its
     * own: the kernel drops the one on the image when anybody in the process closes the image, and scans do.
     */
    static boolean isWritten(Path path) throws IOException {
        return DeviceLock.isTaken(keyOf(path));
    }

    private static String keyOf(Path path) throws IOException {
        return "image " + path.toRealPath();
    }

    /** @throws DestinationFull before anything is read, when the rest of the medium cannot have room */
    void checkRoom(long bytesToCome) throws IOException {
        long there = Files.getFileStore(path).getUsableSpace();
        if (there < bytesToCome) {
            throw new DestinationFull(
                    "The disk that holds " + path.getFileName() + " has room for " + there + " bytes, but "
                            + bytesToCome
                            + " are to come. Nothing was read yet; make room, or choose another place for the image.",
                    null);
        }
    }

    void write(byte[] buffer, int from, int length, long at) throws IOException {
        int done = 0;
        while (done < length) {
            boolean zeros = isHole(buffer, from + done, at + done, length - done);
            int end = done + step(at + done, length - done);
            while (end < length && isHole(buffer, from + end, at + end, length - end) == zeros) {
                end += step(at + end, length - end);
            }
            if (!zeros || !fresh && !isHoleOnDisk(at + done, end - done)) {
                put(ByteBuffer.wrap(buffer, from + done, end - done), at + done);
            }
            done = end;
        }
        // A hole at the end is not there before something stands behind it.
        extendTo(at + length);
    }

    /** To the next multiple of a hole's size. */
    private static int step(long at, int left) {
        return (int) Math.min(left, HOLE - at % HOLE);
    }

    private static boolean isHole(byte[] buffer, int from, long at, int left) {
        int n = step(at, left);
        return n == HOLE && java.util.Arrays.equals(buffer, from, from + HOLE, ZEROS, 0, HOLE);
    }

    private boolean isHoleOnDisk(long at, int length) throws IOException {
        ByteBuffer there = ByteBuffer.allocate(length);
        read(there, at);
        there.flip();
        return there.mismatch(ByteBuffer.allocate(length)) < 0
                || there.limit() < length && there.mismatch(ByteBuffer.allocate(there.limit())) < 0;
    }

    private void put(ByteBuffer bytes, long at) throws IOException {
        long position = at;
        int needed = bytes.remaining();
        try {
            while (bytes.hasRemaining()) {
                position += channel.write(bytes, position);
            }
        } catch (IOException e) {
            throw asFull(e, needed);
        }
    }

    /** Fills as much of the buffer as there is. */
    void read(ByteBuffer into, long at) throws IOException {
        long position = at;
        int n = 0;
        while (into.hasRemaining() && n >= 0) {
            n = channel.read(into, position);
            position += Math.max(0, n);
        }
    }

    /** Makes it at least so long; what was never written reads as zeros. */
    void extendTo(long size) throws IOException {
        if (channel.size() < size) {
            put(ByteBuffer.wrap(new byte[1]), size - 1);
        }
    }

    void force() throws IOException {
        channel.force(false);
    }

    IOException asFull(IOException e, long needed) throws IOException {
        return DestinationFull.caused(e, path.toAbsolutePath().getParent(), needed)
                ? new DestinationFull(
                        "The disk that holds " + path.getFileName()
                                + " is full. What was read is kept; make room and resume.",
                        e)
                : e;
    }

    @Override
    public void close() throws IOException {
        try (mark) {
            channel.close();
        }
    }
}
