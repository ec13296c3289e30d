package org.brantel.core.filesystem.fat;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u8;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Damaged;
import org.brantel.core.filesystem.NotThisFormat;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.source.Source;

/**
 * The boot sector of a FAT volume, little-endian (ECMA-107 section 8.1; FAT32S "Boot Sector and BPB").
 *
 * <pre>
 * offset size field
 *     11    2  bytes per sector: 512, 1024, 2048 or 4096
 *     13    1  sectors per cluster: a power of two
 *     14    2  reserved sectors: the first table starts after them; not 0
 *     16    1  number of tables: 1 or 2 in practice
 *     17    2  root folder entries; 0 on FAT32
 *     19    2  sectors in all, or 0 when the 4-byte count holds
 *     22    2  sectors per table; 0 on FAT32
 *     32    4  sectors in all, 4-byte count
 *     36    4  sectors per table (FAT32)
 *     44    4  first cluster of the root folder (FAT32)
 *     39    4  volume serial number (FAT12, FAT16);  67  4  (FAT32)
 *     43   11  label (FAT12, FAT16);  71  11  label (FAT32)
 *    510    2  signature 55 AA
 * </pre>
 *
 * @param start   first byte of the volume in the source
 */
record BootSector(
        long start,
        int bytesPerSector,
        long totalSectors,
        Tables fat,
        Root root,
        Clusters data,
        String label,
        String serial) {

    /**
     * @param before  sectors of the volume before the first of them
     * @param sectors of each
     */
    record Tables(int before, int count, long sectors) {}

    /**
     * @param entries that there is room for, 0 on FAT32
     * @param cluster its first, 0 on FAT12 and FAT16
     */
    record Root(int entries, long cluster) {}

    /**
     * @param sectors of each
     * @param bits    of a table's entry: 12, 16 or 32, from the number of clusters alone as FAT32S "FAT Type
     *                Determination" demands
     */
    record Clusters(int sectors, int count, int bits) {}

    /** Where FAT32 keeps a copy of this sector. */
    static final int COPY_SECTOR = 6;

    private static final String FAMILY = "a FAT volume";
    private static final int MAX_FAT12 = 4084;
    private static final int MAX_FAT16 = 65524;
    private static final int MAX_FAT32 = 0x0ffffff5;

    /**
     * @param room bytes that the volume may take at most: its partition, or the medium's rest
     * @throws ParseFailure     with field, place and value
     * @throws ByteView.Unread   when the sector was not read
     */
    static BootSector read(Source source, long start, long room) throws IOException {
        return read(source, start, start, room);
    }

    /** The copy that FAT32 keeps in sector 6 (FAT32S "Backup Boot Sector"); empty where none stands. */
    static Optional<BootSector> copyFor(Source source, Range room) throws IOException {
        for (int sectorBytes = 512; sectorBytes <= 4096; sectorBytes *= 2) {
            long at = room.offset() + (long) COPY_SECTOR * sectorBytes;
            try {
                BootSector copy = read(source, at, room.offset(), room.length());
                if (copy.bytesPerSector() == sectorBytes && copy.fatBits() == 32) {
                    return Optional.of(copy);
                }
            } catch (ParseFailure | ByteView.Unread none) {
                // The next one may be readable.
            }
        }
        return Optional.empty();
    }

    /**
     * Clusters of which nothing is left but what stands in them.
     *
     * @param dataStart where cluster 2 begins
     */
    static BootSector ofClusters(long dataStart, int clusterBytes, int clusters, int fatBits) {
        int sector = Math.min(512, clusterBytes);
        return new BootSector(
                dataStart,
                sector,
                (long) clusters * (clusterBytes / sector),
                new Tables(0, 0, 0),
                new Root(0, 0),
                new Clusters(clusterBytes / sector, clusters, fatBits),
                "",
                "");
    }

    private static BootSector read(Source source, long at, long start, long room) throws IOException {
        if (room < 512 || at > source.size() - 512) {
            throw new NotThisFormat(FAMILY, "volume length", at, room, "at least 512");
        }
        ByteView v = ByteView.of(source, new Range(at, 512));
        NotThisFormat.unless(v.u16be(510) == 0x55aa, FAMILY, "signature", at + 510, v.u16be(510), "0x55AA");
        int bytesPerSector = v.u16le(11);
        Damaged.unless(
                bytesPerSector >= 512 && bytesPerSector <= 4096 && Integer.bitCount(bytesPerSector) == 1,
                FAMILY,
                "bytes per sector",
                at + 11,
                bytesPerSector,
                "512 to 4096, a power of two");
        int sectorsPerCluster = v.u8(13);
        Damaged.unless(
                Integer.bitCount(sectorsPerCluster) == 1,
                FAMILY,
                "sectors per cluster",
                at + 13,
                sectorsPerCluster,
                "a power of two");
        int reserved = v.u16le(14);
        Damaged.unless(reserved > 0, FAMILY, "reserved sectors", at + 14, reserved, "at least 1");
        int tables = v.u8(16);
        Damaged.unless(tables >= 1 && tables <= 4, FAMILY, "number of tables", at + 16, tables, "1 to 4");
        int rootEntries = v.u16le(17);
        long total = v.u16le(19) != 0 ? v.u16le(19) : v.u32le(32);
        Damaged.unless(
                total > 0 && total <= Long.MAX_VALUE / bytesPerSector,
                FAMILY,
                "sectors in all",
                at + 19,
                total,
                "more than 0");
        boolean wide = v.u16le(22) == 0;
        long perTable = wide ? v.u32le(36) : v.u16le(22);
        Damaged.unless(perTable > 0, FAMILY, "sectors per table", at + 22, perTable, "more than 0");
        long rootSectors = (rootEntries * 32L + bytesPerSector - 1) / bytesPerSector;
        long data = total - reserved - tables * perTable - rootSectors;
        Damaged.unless(data >= sectorsPerCluster, FAMILY, "sectors for data", at + 19, data, "at least one cluster");
        long clusters = data / sectorsPerCluster;
        Damaged.unless(clusters <= MAX_FAT32, FAMILY, "clusters", at + 19, clusters, "at most " + MAX_FAT32);
        int bits = clusters <= MAX_FAT12 ? 12 : clusters <= MAX_FAT16 ? 16 : 32;
        // mkfs tools make FAT32 with fewer clusters than the specification asks for; the root folder's place tells.
        if (wide && rootEntries == 0) {
            bits = 32;
        }
        long tableClusters = perTable * bytesPerSector * 8 / bits - 2;
        Damaged.unless(tableClusters > 0, FAMILY, "sectors per table", at + 22, perTable, "enough for one cluster");
        Damaged.unless(
                bits == 32 || rootEntries > 0, FAMILY, "root folder entries", at + 17, rootEntries, "more than 0");
        long rootCluster = bits == 32 ? v.u32le(44) : 0;
        int usable = (int) Math.min(clusters, tableClusters);
        Damaged.unless(
                bits != 32 || rootCluster >= 2 && rootCluster < usable + 2L,
                FAMILY,
                "root folder's cluster",
                at + 44,
                rootCluster,
                "2 to " + (usable + 1L));
        String label = new String(v.bytes(bits == 32 ? 71 : 43, 11), StandardCharsets.ISO_8859_1).strip();
        long number = v.u32le(bits == 32 ? 67 : 39);
        String serial = number == 0 ? "" : String.format("%04X-%04X", number >> 16, number & 0xffff);
        return new BootSector(
                start,
                bytesPerSector,
                total,
                new Tables(reserved, tables, perTable),
                new Root(rootEntries, rootCluster),
                new Clusters(sectorsPerCluster, usable, bits),
                printable(label),
                serial);
    }

    private static String printable(String label) {
        return label.equals("NO NAME") || label.chars().anyMatch(c -> c < 0x20) ? "" : label;
    }

    int tables() {
        return fat.count();
    }

    long rootCluster() {
        return root.cluster();
    }

    int clusters() {
        return data.count();
    }

    int fatBits() {
        return data.bits();
    }

    long lengthBytes() {
        return totalSectors * bytesPerSector;
    }

    int clusterBytes() {
        return bytesPerSector * data.sectors();
    }

    /** First byte of a table, 0 being the first. */
    long tableStart(int table) {
        return start + (fat.before() + table * fat.sectors()) * bytesPerSector;
    }

    long tableBytes() {
        return fat.sectors() * bytesPerSector;
    }

    /** The fixed root folder of FAT12 and FAT16. */
    Range fixedRoot() {
        return new Range(tableStart(tables()), root.entries() * 32L);
    }

    long dataStart() {
        long rootSectors = (root.entries() * 32L + bytesPerSector - 1) / bytesPerSector;
        return tableStart(tables()) + rootSectors * bytesPerSector;
    }

    /** Clusters are numbered from 2. */
    boolean isCluster(long number) {
        return number >= 2 && number < clusters() + 2L;
    }

    Range cluster(long number) {
        return new Range(dataStart() + (number - 2) * clusterBytes(), clusterBytes());
    }

    /** Whether a sector has what every boot sector has: a jump and a power of two for bytes and for sectors. */
    static boolean couldBegin(byte[] b, int i) {
        if (u16(b, i + 510) != 0xaa55) {
            return false;
        }
        int bytes = u16(b, i + 11);
        boolean jump = u8(b, i) == 0xeb || u8(b, i) == 0xe9;
        return jump
                && bytes >= 512
                && bytes <= 4096
                && Integer.bitCount(bytes) == 1
                && Integer.bitCount(u8(b, i + 13)) == 1
                && u8(b, i + 16) >= 1
                && u8(b, i + 16) <= 4;
    }
}
