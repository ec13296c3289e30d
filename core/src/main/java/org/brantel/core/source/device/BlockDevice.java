package org.brantel.core.source.device;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.brantel.core.health.HealthReading;
import org.brantel.core.source.Identity;

/**
 * What the kernel says about a block device, from sysfs (Documentation/ABI/stable/sysfs-block: {@code size} in
 * units of 512 bytes, {@code ro}, {@code queue/logical_block_size}, {@code device/{vendor,model,serial}}).
 */
final class BlockDevice {

    private static final Path SYS = Path.of("/sys/dev/block");

    private final Path sys;

    private BlockDevice(Path sys) {
        this.sys = sys;
    }

    /** The device behind a node in /dev; empty for anything that is not a block device. */
    static Optional<BlockDevice> at(Path path) throws IOException {
        if (!Files.exists(path) || Files.isRegularFile(path) || Files.isDirectory(path)) {
            return Optional.empty();
        }
        long rdev = ((Number) Files.getAttribute(path, "unix:rdev")).longValue();
        return byNumber(rdev);
    }

    /** The block device that holds the file system on which {@code file} lies, if it is one. */
    static Optional<BlockDevice> holding(Path file) throws IOException {
        return byNumber(((Number) Files.getAttribute(file, "unix:dev")).longValue());
    }

    /** Linux dev_t as glibc packs it: 12 bits of major at 8, 20 bits of minor at 0 and 12. */
    private static Optional<BlockDevice> byNumber(long dev) throws IOException {
        long major = (dev >>> 8) & 0xfff;
        long minor = (dev & 0xff) | ((dev >>> 12) & 0xfff00);
        Path entry = SYS.resolve(major + ":" + minor);
        return Files.exists(entry) ? Optional.of(new BlockDevice(entry.toRealPath())) : Optional.empty();
    }

    /** Whether the kernel still knows it, and has not lost its medium. */
    boolean isThere() throws IOException {
        return Files.exists(sys) && size() > 0;
    }

    long size() throws IOException {
        return Long.parseLong(text(sys.resolve("size"), "0")) * 512;
    }

    boolean readOnly() throws IOException {
        return text(sys.resolve("ro"), "0").equals("1");
    }

    int sectorSize() throws IOException {
        return Integer.parseInt(text(disk().resolve("queue/logical_block_size"), "512"));
    }

    Identity identity() throws IOException {
        return disk(disk()).identity(size());
    }

    String presence() throws IOException {
        return disk(disk()).presence();
    }

    private static DiskIdentity disk(Path sys) {
        return new DiskIdentity(Path.of("/"), sys, sys.getFileName().toString());
    }

    /** The whole disk's place in sysfs, whichever of its partitions this is. */
    Path wholeDisk() {
        return disk();
    }

    /**
     * Temperature by the kernel's own sensors (Documentation/hwmon: {@code temp1_input}, thousandths of a degree), for
     * drives that have one there; and the requests that failed since it was attached ({@code device/ioerr_cnt},
     * hexadecimal).
     */
    Optional<HealthReading> health() throws IOException {
        Path device = disk().resolve("device");
        Integer celsius = null;
        for (Path sensors : List.of(device.resolve("hwmon"), device)) {
            if (celsius == null && Files.isDirectory(sensors)) {
                try (Stream<Path> found = Files.list(sensors)) {
                    for (Path sensor : (Iterable<Path>)
                            found.filter(f -> f.getFileName().toString().startsWith("hwmon"))::iterator) {
                        String milli = text(sensor.resolve("temp1_input"), "");
                        celsius =
                                milli.matches("-?\\d{1,9}") ? Integer.valueOf(Integer.parseInt(milli) / 1000) : celsius;
                    }
                }
            }
        }
        String errors = text(device.resolve("ioerr_cnt"), "");
        Long uncorrectable = errors.matches("0x[0-9a-fA-F]{1,15}") ? Long.valueOf(errors.substring(2), 16) : null;
        return celsius == null && uncorrectable == null
                ? Optional.empty()
                : Optional.of(new HealthReading(
                        HealthReading.Origin.KERNEL,
                        new HealthReading.State(celsius, null, null),
                        new HealthReading.Damage(null, null, uncorrectable),
                        HealthReading.Wear.UNKNOWN,
                        0,
                        List.of()));
    }

    /** Names of every physical disk under this device: itself, its whole disk, and what device-mapper stacks on. */
    Set<Path> physicalRoots() throws IOException {
        Set<Path> roots = new HashSet<>();
        collectRoots(disk(), roots, 0);
        return roots;
    }

    private static void collectRoots(Path disk, Set<Path> roots, int depth) throws IOException {
        Path slaves = disk.resolve("slaves");
        boolean stacked = false;
        if (depth < 16 && Files.isDirectory(slaves)) {
            try (Stream<Path> below = Files.list(slaves)) {
                for (Path slave : (Iterable<Path>) below::iterator) {
                    stacked = true;
                    collectRoots(new BlockDevice(slave.toRealPath()).disk(), roots, depth + 1);
                }
            }
        }
        Path loop = disk.resolve("loop/backing_file");
        if (depth < 16 && Files.exists(loop)) {
            Path backing = Path.of(text(loop, ""));
            Optional<BlockDevice> under = Files.exists(backing) ? holding(backing) : Optional.empty();
            if (under.isPresent()) {
                collectRoots(under.get().disk(), roots, depth + 1);
            }
        }
        if (!stacked) {
            roots.add(disk);
        }
    }

    /** The whole disk, when this is a partition. */
    private Path disk() {
        return Files.exists(sys.resolve("partition")) ? sys.resolve("..").normalize() : sys;
    }

    private static String text(Path file, String otherwise) throws IOException {
        return Files.isReadable(file) ? Files.readString(file).strip() : otherwise;
    }
}
