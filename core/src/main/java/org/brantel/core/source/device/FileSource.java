package org.brantel.core.source.device;

import com.sun.nio.file.ExtendedOpenOption;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.ClosedChannelException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.health.HealthReading;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.WriteBlock;
import org.jspecify.annotations.Nullable;

/**
 * A raw image file or a block device, opened read-only.
 *
 * <p>A block device is read past the page cache: the kernel then asks the device for what was asked of it and for
 * nothing else (no read-ahead into a bad stretch), and a fault costs what was asked for. The unit for that is
 * {@link #DIRECT_UNIT}; a device that is no multiple of it is read by way of the cache. One request is one request:
 * where it fails, smaller ones are the planner's business.
 */
public final class FileSource implements Source {

    private static final int FILE_SECTOR = 512;
    /** Bytes; what device nodes' file system asks of direct requests for place, length and memory. */
    private static final int DIRECT_UNIT = 4096;

    private final Path path;
    private final FileChannel channel;
    private final @Nullable BlockDevice device;
    private final boolean direct;
    private final long size;
    private final int sectorSize;
    private final Identity identity;
    private ByteBuffer aligned = ByteBuffer.allocate(0);

    private FileSource(Path path, FileChannel channel, @Nullable BlockDevice device, boolean direct, long size)
            throws IOException {
        this.path = path;
        this.channel = channel;
        this.device = device;
        this.direct = direct;
        this.size = size;
        sectorSize = device != null ? device.sectorSize() : FILE_SECTOR;
        identity = device != null ? device.identity() : Identity.ofSize(size);
    }

    /** @throws SourceException in one sentence, when there is nothing to read */
    public static FileSource open(Path path, WriteBlock writeBlock) throws IOException {
        if (Files.isDirectory(path)) {
            throw new SourceException(path + " is a folder; name an image file or a device.");
        }
        BlockDevice device = BlockDevice.at(path).orElse(null);
        if (device != null) {
            writeBlock.check(!device.readOnly(), path.toString());
        }
        boolean direct = device != null && device.size() % DIRECT_UNIT == 0;
        FileChannel channel;
        try {
            channel = direct
                    ? FileChannel.open(path, StandardOpenOption.READ, ExtendedOpenOption.DIRECT)
                    : FileChannel.open(path, StandardOpenOption.READ);
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
        return new FileSource(path, channel, device, direct, size);
    }

    @Override
    public ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        Source.checkBounds(this, offset, buffer, at, length);
        long start = System.nanoTime();
        try {
            if (direct) {
                fillDirect(offset, buffer, at, length);
            } else {
                fill(offset, ByteBuffer.wrap(buffer, at, length));
            }
            return ReadOutcome.clean(System.nanoTime() - start);
        } catch (ClosedChannelException | SourceException e) {
            throw e;
        } catch (IOException e) {
            if (!Files.exists(path) || device != null && !device.isThere()) {
                throw new SourceException.Gone(description(), "the device is no longer there");
            }
            List<Range> failed =
                    device != null ? List.of(new Range(offset, length)) : sectorBySector(offset, buffer, at, length);
            failed.forEach(f ->
                    Arrays.fill(buffer, at + (int) (f.offset() - offset), at + (int) (f.end() - offset), (byte) 0));
            return new ReadOutcome(failed, System.nanoTime() - start);
        }
    }

    @Override
    public String presence() throws IOException {
        if (device != null) {
            return device.presence();
        }
        Object key = Files.readAttributes(path, BasicFileAttributes.class).fileKey();
        return key == null ? "" : key.toString();
    }

    @Override
    public boolean takesSeveral() {
        return device == null;
    }

    private void fill(long offset, ByteBuffer into) throws IOException {
        long position = offset;
        while (into.hasRemaining()) {
            int n = channel.read(into, position);
            if (n < 0) {
                throw new SourceException.Gone(
                        description(), "it ends at " + position + ", before its size of " + size);
            }
            position += n;
        }
    }

    /** Whole units around what is wanted. */
    private void fillDirect(long offset, byte[] buffer, int at, int length) throws IOException {
        long from = offset / DIRECT_UNIT * DIRECT_UNIT;
        long to = (offset + length + DIRECT_UNIT - 1) / DIRECT_UNIT * DIRECT_UNIT;
        if (aligned.capacity() < to - from) {
            aligned = ByteBuffer.allocateDirect((int) (to - from) + DIRECT_UNIT).alignedSlice(DIRECT_UNIT);
        }
        aligned.clear().limit((int) (to - from));
        fill(from, aligned);
        aligned.get((int) (offset - from), buffer, at, length);
    }

    /** The kernel refused a block of an image file; find out which sectors are to blame. */
    private List<Range> sectorBySector(long offset, byte[] buffer, int at, int length) throws IOException {
        List<Range> failed = new ArrayList<>();
        for (int done = 0; done < length; ) {
            int step = Math.min(length - done, sectorSize - (int) ((offset + done) % sectorSize));
            try {
                fill(offset + done, ByteBuffer.wrap(buffer, at + done, step));
            } catch (SourceException e) {
                throw e;
            } catch (IOException e) {
                failed.add(new Range(offset + done, step));
            }
            done += step;
        }
        return RangeSet.of(failed).ranges();
    }

    @Override
    public Optional<HealthReading> health() throws IOException {
        return device == null ? Optional.empty() : device.health();
    }

    @Override
    public String lockKey() throws IOException {
        return device != null
                ? "disk " + device.wholeDisk()
                : "file " + Files.getAttribute(path, "unix:dev") + ":" + Files.getAttribute(path, "unix:ino");
    }

    @Override
    public int requestUnit() {
        return direct ? Math.max(sectorSize, DIRECT_UNIT) : sectorSize;
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
