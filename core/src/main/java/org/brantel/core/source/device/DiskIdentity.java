package org.brantel.core.source.device;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.brantel.core.source.Identity;

/**
 * What the kernel knows of a disk's identity: sysfs (Documentation/ABI/stable/sysfs-block), the links of
 * /dev/disk/by-id, and the unit serial number page where a driver keeps it. The same for everybody who asks, or a disk
 * would differ from itself.
 */
final class DiskIdentity {

    /** From the best kind of name to the worst; by-id has several links to a disk. */
    private static final List<String> BEST_NAMES = List.of("ata-", "nvme-", "usb-", "mmc-", "scsi-", "wwn-");

    private static final int SERIAL_AT = 4;

    private final Path root;
    private final Path sys;
    private final String node;

    /**
     * @param root where /dev is looked for
     * @param sys  the whole disk's folder in sysfs
     * @param node its name, like {@code sdb}
     */
    DiskIdentity(Path root, Path sys, String node) {
        this.root = root;
        this.sys = sys;
        this.node = node;
    }

    /** The best link of /dev/disk/by-id, which stays when the node changes; else the node's own name. */
    String name() throws IOException {
        Path links = root.resolve("dev/disk/by-id");
        if (!Files.isDirectory(links)) {
            return node;
        }
        try (Stream<Path> all = Files.list(links)) {
            return all.filter(this::leadsHere)
                    .map(l -> l.getFileName().toString())
                    .min(Comparator.comparingInt(DiskIdentity::rank).thenComparing(n -> n))
                    .orElse(node);
        }
    }

    Identity identity(long size) throws IOException {
        if (node.startsWith("loop")) {
            return new Identity("", text(sys.resolve("loop/backing_file")), "", size);
        }
        Path device = sys.resolve("device");
        String model = text(device.resolve("model"));
        return new Identity(
                text(device.resolve("vendor")),
                model.isEmpty() ? text(device.resolve("name")) : model,
                serial(device),
                size);
    }

    private String serial(Path device) throws IOException {
        String serial = text(device.resolve("serial"));
        Path page = device.resolve("vpd_pg80");
        if (serial.isEmpty() && Files.isReadable(page)) {
            // SCSI Primary Commands, unit serial number page: a header of four bytes, then the number.
            byte[] bytes = Files.readAllBytes(page);
            serial = bytes.length <= SERIAL_AT
                    ? ""
                    : new String(bytes, SERIAL_AT, bytes.length - SERIAL_AT, StandardCharsets.US_ASCII)
                            .replaceAll("[^\\x21-\\x7e]", "");
        }
        String name = name();
        return serial.isEmpty() && name.matches("(ata|usb)-.*_[^_]+")
                ? name.substring(name.lastIndexOf('_') + 1).replaceAll("-\\d+:\\d+$", "")
                : serial;
    }

    /**
     * The kernel's number of this coming of a disk ({@code diskseq}, never given twice between two starts) with the
     * start that it belongs to: another disk, or the same one put in again, has another. Empty where the kernel has none.
     */
    String presence() throws IOException {
        String sequence = text(sys.resolve("diskseq"));
        String boot = text(root.resolve("proc/sys/kernel/random/boot_id"));
        return sequence.isEmpty() || boot.isEmpty() ? "" : boot + "/" + sequence;
    }

    private static int rank(String name) {
        return (int) BEST_NAMES.stream().takeWhile(b -> !name.startsWith(b)).count();
    }

    private boolean leadsHere(Path link) {
        try {
            return Files.isSymbolicLink(link)
                    && Files.readSymbolicLink(link).getFileName().toString().equals(node);
        } catch (IOException e) {
            return false;
        }
    }

    /** A file of sysfs; empty where there is none. */
    static String text(Path file) throws IOException {
        try {
            return Files.isReadable(file) ? Files.readString(file).strip() : "";
        } catch (NoSuchFileException e) {
            throw e;
        } catch (IOException unreadable) {
            // sysfs answers some files with an error while a device is on its way in or out.
            return "";
        }
    }
}
