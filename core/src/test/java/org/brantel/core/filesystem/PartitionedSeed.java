package org.brantel.core.filesystem;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32;
import org.brantel.core.testing.Seeds;

/**
 * A small disk with a GUID table, its copy, a master boot record with a chain of logical partitions, and a volume in
 * each.
 */
public final class PartitionedSeed {

    private static final int SECTOR = 512;
    private static final int FIRST = 64;
    private static final int SECOND = 1024;
    private static final int SECTORS = 2048;

    private PartitionedSeed() {}

    /** Both tables: a fuzzer that spoils one meets the other. */
    public static byte[] disk() {
        byte[] disk = guid();
        mbr(disk);
        return disk;
    }

    /** Partitions 1 and 2 are listed by a GUID table and its copy. */
    public static byte[] guid() {
        byte[] disk = volumes();
        byte[] entries = new byte[128 * 4];
        entry(entries, 0, FIRST, "fat12", "Tide Gauges");
        entry(entries, 128, SECOND, "ext2", "Brass Band");
        System.arraycopy(entries, 0, disk, 2 * SECTOR, entries.length);
        System.arraycopy(entries, 0, disk, (SECTORS - 2) * SECTOR, entries.length);
        header(disk, 1, 2, entries);
        header(disk, SECTORS - 1, SECTORS - 2, entries);
        disk[446 + 4] = (byte) 0xee;
        put(disk, 446 + 8, 1);
        put(disk, 446 + 12, SECTORS - 1);
        disk[510] = 0x55;
        disk[511] = (byte) 0xaa;
        return disk;
    }

    /** Partition 1 is primary, partition 5 logical. */
    public static byte[] mbr() {
        byte[] disk = volumes();
        mbr(disk);
        return disk;
    }

    /** A GUID table that knows the first volume, and an old table beside it that lists both. */
    public static byte[] hybrid() {
        byte[] disk = volumes();
        byte[] entries = new byte[128 * 4];
        entry(entries, 0, FIRST, "fat12", "Tide Gauges");
        System.arraycopy(entries, 0, disk, 2 * SECTOR, entries.length);
        System.arraycopy(entries, 0, disk, (SECTORS - 2) * SECTOR, entries.length);
        header(disk, 1, 2, entries);
        header(disk, SECTORS - 1, SECTORS - 2, entries);
        table(disk, 0, 446, 0xee, 1, FIRST - 1);
        table(disk, 0, 462, 0x06, FIRST, 600);
        table(disk, 0, 478, 0x83, SECOND, 600);
        return disk;
    }

    /** An old table of a medium with sectors of 4,096 bytes. */
    public static byte[] wideSectors() {
        byte[] disk = volumes();
        int times = 4096 / SECTOR;
        table(disk, 0, 446, 0x06, FIRST / times, 600 / times);
        table(disk, 0, 462, 0x83, SECOND / times, 600 / times);
        return disk;
    }

    private static byte[] volumes() {
        byte[] disk = new byte[SECTORS * SECTOR];
        byte[] fat = Seeds.volume("fat12");
        byte[] ext = Seeds.volume("ext2");
        System.arraycopy(fat, 0, disk, FIRST * SECTOR, fat.length);
        System.arraycopy(ext, 0, disk, SECOND * SECTOR, ext.length);
        return disk;
    }

    private static void mbr(byte[] disk) {
        table(disk, 0, 446, 0x06, FIRST, 600);
        table(disk, 0, 462, 0x05, SECOND - 32, SECTORS - SECOND);
        table(disk, SECOND - 32, 446, 0x83, 32, 600);
    }

    private static void table(byte[] disk, int sector, int at, int type, int first, int count) {
        int base = sector * SECTOR;
        disk[base + at + 4] = (byte) type;
        put(disk, base + at + 8, first);
        put(disk, base + at + 12, count);
        disk[base + 510] = 0x55;
        disk[base + 511] = (byte) 0xaa;
    }

    private static void entry(byte[] entries, int at, int first, String volume, String name) {
        entries[at] = 0x0f;
        ByteBuffer b = ByteBuffer.wrap(entries).order(ByteOrder.LITTLE_ENDIAN);
        b.putLong(at + 32, first);
        b.putLong(at + 40, first + Seeds.volume(volume).length / SECTOR - 1);
        byte[] text = name.getBytes(StandardCharsets.UTF_16LE);
        System.arraycopy(text, 0, entries, at + 56, text.length);
    }

    private static void header(byte[] disk, int sector, int entriesAt, byte[] entries) {
        ByteBuffer b = ByteBuffer.wrap(disk).order(ByteOrder.LITTLE_ENDIAN);
        int at = sector * SECTOR;
        b.put(at, "EFI PART".getBytes(StandardCharsets.US_ASCII));
        b.putInt(at + 12, 92)
                .putLong(at + 24, sector)
                .putLong(at + 72, entriesAt)
                .putInt(at + 80, 4)
                .putInt(at + 84, 128);
        CRC32 crc = new CRC32();
        crc.update(entries);
        b.putInt(at + 88, (int) crc.getValue());
        CRC32 own = new CRC32();
        own.update(disk, at, 92);
        b.putInt(at + 16, (int) own.getValue());
    }

    private static void put(byte[] disk, int at, int value) {
        ByteBuffer.wrap(disk).order(ByteOrder.LITTLE_ENDIAN).putInt(at, value);
    }
}
