package org.brantel.core.source.device;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.brantel.core.source.Identity;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A tree as the kernel shows it, for devices that a test machine does not have. */
class AttachedDisksTest {

    @TempDir
    private Path root;

    private Path disk(String name, long sectors) throws IOException {
        Path sys = Files.createDirectories(root.resolve("sys/block").resolve(name));
        put(sys.resolve("size"), sectors);
        put(sys.resolve("ro"), 0);
        put(sys.resolve("removable"), 0);
        put(sys.resolve("queue/logical_block_size"), 512);
        return sys;
    }

    private static void put(Path file, Object text) throws IOException {
        Files.createDirectories(file.getParent());
        Files.writeString(file, text + "\n");
    }

    private AttachedDisk only() throws IOException {
        List<AttachedDisk> disks = AttachedDisks.under(root);
        assertThat(disks).hasSize(1);
        return disks.get(0);
    }

    @Test
    void aSataDiskHasItsSerialFromItsPageAndItsNameFromTheBestLink() throws IOException {
        Path sys = disk("sdb", 3_907_029_168L);
        put(sys.resolve("device/vendor"), "ATA     ");
        put(sys.resolve("device/model"), "Delve 2000");
        Files.write(
                sys.resolve("device/vpd_pg80"),
                new byte[] {0, (byte) 0x80, 0, 8, ' ', 'M', 'D', '2', '-', '7', '7', ' '});
        Path links = Files.createDirectories(root.resolve("dev/disk/by-id"));
        Files.createSymbolicLink(links.resolve("wwn-0x500"), Path.of("../../sdb"));
        Files.createSymbolicLink(links.resolve("ata-Delve_2000_MD2-77"), Path.of("../../sdb"));
        Files.createSymbolicLink(links.resolve("ata-Other"), Path.of("../../sda"));
        AttachedDisk it = only();
        assertThat(it.identity()).isEqualTo(new Identity("ATA", "Delve 2000", "MD2-77", 2_000_398_934_016L));
        assertThat(it.name()).isEqualTo("ata-Delve_2000_MD2-77");
        assertThat(it.node()).isEqualTo("/dev/sdb");
        assertThat(it.isOffered()).isTrue();
    }

    @Test
    void aDiskBehindUsbHasItsSerialFromItsLink() throws IOException {
        disk("sdc", 1000);
        Path links = Files.createDirectories(root.resolve("dev/disk/by-id"));
        Files.createSymbolicLink(links.resolve("usb-Quay_Stick_0815AB-0:0"), Path.of("../../sdc"));
        assertThat(only().identity().serial()).isEqualTo("0815AB");
    }

    @Test
    void whatThisMachineLivesOnIsNotOffered() throws IOException {
        Path sys = disk("nvme0n1", 1000);
        put(sys.resolve("nvme0n1p2/partition"), 2);
        put(root.resolve("proc/self/mounts"), "proc /proc proc rw 0 0\n/dev/nvme0n1p2 / ext4 rw 0 0");
        assertThat(only().inUse()).isEqualTo("/dev/nvme0n1p2 is mounted at /");
        put(root.resolve("proc/self/mounts"), "");
        put(root.resolve("proc/swaps"), "Filename Type\n/dev/nvme0n1p2 partition 1 0 -2");
        assertThat(only().inUse()).contains("swaps");
        put(root.resolve("proc/swaps"), "");
        Files.createDirectories(sys.resolve("nvme0n1p2/holders/dm-0"));
        assertThat(only().inUse()).isEqualTo("it is part of dm-0");
    }

    @Test
    void memoryStacksAndEmptySlotsAreNoDisks() throws IOException {
        disk("ram0", 1000);
        disk("dm-0", 1000);
        disk("sr0", 0);
        assertThat(AttachedDisks.under(root)).isEmpty();
        assertThat(AttachedDisks.under(root.resolve("nothing"))).isEmpty();
    }
}
