package org.brantel.core.imaging;

import java.io.Closeable;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.brantel.core.manifest.Hashes;
import org.brantel.core.source.Source;

/**
 * Keeps a second session off a device, in this process and in any other on this machine. A lock on a file that is named
 * after the device: the kernel gives it back when the process dies.
 */
final class DeviceLock implements Closeable {

    private final FileChannel channel;

    private DeviceLock(FileChannel channel) {
        this.channel = channel;
    }

    /** @throws DeviceInUse when another session reads it */
    static DeviceLock take(Source source) throws IOException {
        Path folder = Files.createDirectories(Path.of(System.getProperty("java.io.tmpdir"), "brantel-devices"));
        byte[] key = source.lockKey().getBytes(StandardCharsets.UTF_8);
        FileChannel channel = FileChannel.open(folder.resolve(Hashes.sha256Hex(key, 0, key.length).substring(0, 32)), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        if (!isLocked(channel)) {
            channel.close();
            throw new DeviceInUse(source);
        }
        return new DeviceLock(channel);
    }

    /** The kernel gives the lock back when the channel is closed, or the process dies. */
    static boolean isLocked(FileChannel channel) throws IOException {
        try {
            return channel.tryLock() != null;
        } catch (OverlappingFileLockException e) {
            return false;
        }
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
