package org.brantel.core.source.device;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

/**
 * The disks of this machine, from sysfs (/sys/block), /dev/disk/by-id, the mounts and the swaps. Asking costs a few
 * dozen small reads of the kernel's memory and none of the disks, so it can be done every other second.
 */
public final class AttachedDisks {

    /** Memory, and devices that are only made of others. */
    private static final List<String> NOT_DISKS = List.of("ram", "zram", "dm-", "md", "nbd", "fd");

    private final Path root;

    private AttachedDisks(Path root) {
        this.root = root;
    }

    public static List<AttachedDisk> now() throws IOException {
        return under(Path.of("/"));
    }

    /** @param root where /sys, /proc and /dev are looked for */
    static List<AttachedDisk> under(Path root) throws IOException {
        return new AttachedDisks(root).list();
    }

    private List<AttachedDisk> list() throws IOException {
        List<AttachedDisk> disks = new ArrayList<>();
        for (Path sys : children(root.resolve("sys/block"))) {
            String name = sys.getFileName().toString();
            if (NOT_DISKS.stream().noneMatch(name::startsWith)) {
                try {
                    disk(sys, name).ifPresent(disks::add);
                } catch (NoSuchFileException gone) {
                    // Pulled out while it was looked at; it is no longer attached.
                }
            }
        }
        return disks;
    }

    private Optional<AttachedDisk> disk(Path sys, String name) throws IOException {
        long size = number(DiskIdentity.text(sys.resolve("size"))) * 512;
        if (size == 0) {
            return Optional.empty();
        }
        List<String> partitions = children(sys).stream()
                .filter(p -> Files.exists(p.resolve("partition")))
                .map(p -> "/dev/" + p.getFileName())
                .toList();
        DiskIdentity disk = new DiskIdentity(root, sys, name);
        return Optional.of(new AttachedDisk(
                "/dev/" + name,
                disk.name(),
                disk.identity(size),
                (int) Math.max(512, number(DiskIdentity.text(sys.resolve("queue/logical_block_size")))),
                DiskIdentity.text(sys.resolve("ro")).equals("1"),
                DiskIdentity.text(sys.resolve("removable")).equals("1"),
                partitions,
                inUse(sys, name, partitions)));
    }

    private String inUse(Path sys, String name, List<String> partitions) throws IOException {
        Set<String> nodes = new TreeSet<>(partitions);
        nodes.add("/dev/" + name);
        for (String line : lines(root.resolve("proc/self/mounts"))) {
            String[] words = line.split(" ");
            if (words.length > 1 && nodes.contains(words[0])) {
                return words[0] + " is mounted at " + words[1];
            }
        }
        if (lines(root.resolve("proc/swaps")).stream().anyMatch(l -> nodes.contains(l.split("\\s")[0]))) {
            return "this machine swaps to it";
        }
        List<Path> holders = new ArrayList<>(children(sys.resolve("holders")));
        for (String partition : partitions) {
            holders.addAll(
                    children(sys.resolve(Path.of(partition).getFileName()).resolve("holders")));
        }
        return holders.isEmpty() ? "" : "it is part of " + holders.get(0).getFileName();
    }

    private static List<Path> children(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> all = Files.list(folder)) {
            return all.sorted().toList();
        }
    }

    private static List<String> lines(Path file) throws IOException {
        return Files.isReadable(file) ? Arrays.asList(Files.readString(file).split("\n")) : List.of();
    }

    private static long number(String text) {
        return text.matches("\\d{1,18}") ? Long.parseLong(text) : 0;
    }
}
