package org.brantel.core.imaging;

import java.io.Closeable;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.locks.LockSupport;
import org.brantel.core.hash.Hashes;
import org.brantel.core.source.Source;

/**
 * Keeps a second session off a device or an image, in this process and in any other on this machine. A lock on a file
 * that is named after it: the kernel gives it back when the process dies. It also does when anybody in the process
 * closes that file, so the process keeps a list of its own and asks the kernel only about others.
 */
final class DeviceLock implements Closeable {

    private static final Set<String> OWN = new HashSet<>();
    /** Others who only ask hold the lock for an instant. */
    private static final int TRIES = 5;

    private static final long BETWEEN_MILLIS = 10;

    private final String name;
    private final FileChannel channel;

    private DeviceLock(String name, FileChannel channel) {
        this.name = name;
        this.channel = channel;
    }

    /** @throws DeviceInUse when another session reads it */
    static DeviceLock take(Source source) throws IOException {
        return take(source.lockKey()).orElseThrow(() -> new DeviceInUse(source));
    }

    /** @return empty when somebody else has it */
    static Optional<DeviceLock> take(String of) throws IOException {
        String name = name(of);
        synchronized (OWN) {
            Optional<FileChannel> locked = OWN.contains(name) ? Optional.empty() : locked(name);
            locked.ifPresent(channel -> OWN.add(name));
            return locked.map(channel -> new DeviceLock(name, channel));
        }
    }

    /** Whether somebody has it just now. */
    static boolean isTaken(String of) throws IOException {
        String name = name(of);
        synchronized (OWN) {
            if (OWN.contains(name)) {
                return true;
            }
            Optional<FileChannel> locked = locked(name);
            if (locked.isPresent()) {
                locked.get().close();
            }
            return locked.isEmpty();
        }
    }

    private static String name(String of) {
        byte[] key = of.getBytes(StandardCharsets.UTF_8);
        return Hashes.sha256Hex(key, 0, key.length).substring(0, 32);
    }

    private static Optional<FileChannel> locked(String name) throws IOException {
        Path folder = Files.createDirectories(Path.of(System.getProperty("java.io.tmpdir"), "brantel-devices"));
        FileChannel channel =
                FileChannel.open(folder.resolve(name), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        for (int tries = 0; tries < TRIES; tries++) {
            if (isLocked(channel)) {
                return Optional.of(channel);
            }
            LockSupport.parkNanos(BETWEEN_MILLIS * 1_000_000);
        }
        channel.close();
        return Optional.empty();
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
        synchronized (OWN) {
            OWN.remove(name);
            channel.close();
        }
    }
}
