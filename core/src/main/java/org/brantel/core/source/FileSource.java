package org.brantel.core.source;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.ClosedChannelException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;

/** A raw image file or a block device, opened read-only. */
public final class FileSource implements Source {

    private static final int FILE_SECTOR = 512;

    private final Path path;
    private final FileChannel channel;
    private final long size;
    private final int sectorSize;
    private final Identity identity;

    private FileSource(Path path, FileChannel channel, long size, int sectorSize, Identity identity) {
        this.path = path;
        this.channel = channel;
        this.size = size;
        this.sectorSize = sectorSize;
        this.identity = identity;
    }

    /**
     * @param writeBlockDecided a recorded decision that a writable block device may be read
     * @throws SourceException in one sentence, when there is nothing to read
     */
    public static FileSource open(Path path, boolean writeBlockDecided) throws IOException {
        if (Files.isDirectory(path)) {
            throw new SourceException(path + " is a folder; name an image file or a device.");
        }
        BlockDevice device = BlockDevice.at(path).orElse(null);
        if (device != null && !device.readOnly() && !writeBlockDecided) {
            throw new SourceException.WriteBlockNeeded(path.toString());
        }
        FileChannel channel;
        try {
            channel = FileChannel.open(path, StandardOpenOption.READ);
        } catch (NoSuchFileException e) {
            throw new SourceException("There is no file or device at " + path + ".", e);
        } catch (IOException e) {
            throw new SourceException(path + " cannot be opened for reading: " + e.getMessage() + ".", e);
        }
        long size = device != null ? device.size() : channel.size();
        if (size == 0) {
            channel.close();
            throw new SourceException(path + " is empty (0 bytes); there is nothing to read.");
        }
        Identity identity = device != null ? device.identity() : Identity.ofSize(size);
        return new FileSource(path, channel, size, device != null ? device.sectorSize() : FILE_SECTOR, identity);
    }

    @Override
    public ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        Source.checkBounds(this, offset, buffer, at, length);
        long start = System.nanoTime();
        try {
            fill(offset, ByteBuffer.wrap(buffer, at, length));
            return ReadOutcome.clean(System.nanoTime() - start);
        } catch (ClosedChannelException | SourceException e) {
            throw e;
        } catch (IOException e) {
            return new ReadOutcome(sectorBySector(offset, buffer, at, length), System.nanoTime() - start);
        }
    }

    private void fill(long offset, ByteBuffer into) throws IOException {
        long position = offset;
        while (into.hasRemaining()) {
            int n = channel.read(into, position);
            if (n < 0) {
                throw new SourceException.Gone(description(), "it ends at " + position + ", before its size of " + size);
            }
            position += n;
        }
    }

    /** The kernel refused the whole block; find out which sectors are to blame. */
    private List<Range> sectorBySector(long offset, byte[] buffer, int at, int length) throws IOException {
        if (!Files.exists(path)) {
            throw new SourceException.Gone(description(), "the device is no longer there");
        }
        List<Range> failed = new ArrayList<>();
        for (int done = 0; done < length; ) {
            int step = Math.min(length - done, sectorSize - (int) ((offset + done) % sectorSize));
            try {
                fill(offset + done, ByteBuffer.wrap(buffer, at + done, step));
            } catch (SourceException e) {
                throw e;
            } catch (IOException e) {
                java.util.Arrays.fill(buffer, at + done, at + done + step, (byte) 0);
                failed.add(new Range(offset + done, step));
            }
            done += step;
        }
        return RangeSet.of(failed).ranges();
    }

    @Override
    public String description() {
        return path.toString();
    }

    @Override
    public long size() {
        return size;
    }

    @Override
    public int sectorSize() {
        return sectorSize;
    }

    @Override
    public Identity identity() {
        return identity;
    }

    @Override
    public List<Path> filesBehind() {
        return List.of(path);
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
