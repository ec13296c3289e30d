package org.brantel.core.filesystem.exfat;

import static org.brantel.core.bytes.LittleEndian.u16;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Damaged;
import org.brantel.core.filesystem.NotThisFormat;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.source.Source;

/**
 * The boot sector (EXFAT section 3.1); a copy of it and of the eleven sectors after it follows in sector 12.
 *
 * <pre>
 * offset size field
 *      3    8  "EXFAT   "
 *     72    8  sectors of the volume
 *     80    4  first sector of the allocation table
 *     84    4  sectors of the table
 *     88    4  first sector of the clusters
 *     92    4  number of clusters
 *     96    4  first cluster of the root folder
 *    100    4  serial number
 *    106    2  flags: 1 second table in force, 2 not closed cleanly, 4 media failure
 *    108    1  bytes of a sector, as a power of two: 9 to 12
 *    109    1  sectors of a cluster, as a power of two: at most 25 together with the one before
 *    110    1  tables: 1 or 2
 *    510    2  signature 55 AA
 * </pre>
 *
 * @param start first byte of the volume in the source
 */
record BootSector(
        long start,
        int sectorBytes,
        long sectors,
        Range table,
        Clusters data,
        long rootCluster,
        long serial,
        int flags) {

    /**
     * @param at    where the first, number 2, lies in the source
     * @param bytes of each
     */
    record Clusters(long at, int bytes, long count) {}

    /** Where the copy stands. */
    static final int COPY_SECTOR = 12;

    private static final String FAMILY = "an exFAT volume";
    private static final byte[] NAME = "EXFAT   ".getBytes(StandardCharsets.US_ASCII);

    /** The sector at the volume's start, or its copy where that one is spoiled. */
    static BootSector read(Source source, Range room) throws IOException {
        try {
            return read(source, room.offset(), room.offset(), room.length());
        } catch (ParseFailure | ByteView.Unread e) {
            for (int sectorBytes = 512; sectorBytes <= 4096; sectorBytes *= 2) {
                long at = room.offset() + (long) COPY_SECTOR * sectorBytes;
                try {
                    BootSector copy = read(source, at, room.offset(), room.length());
                    if (copy.sectorBytes() == sectorBytes) {
                        return copy;
                    }
                } catch (ParseFailure | ByteView.Unread none) {
                    // The next one may be readable.
                }
            }
            throw e;
        }
    }

    /** @param at where the sector, or the copy of it, lies */
    static BootSector read(Source source, long at, long start, long room) throws IOException {
        if (room < 512 || at > source.size() - 512) {
            throw new NotThisFormat(FAMILY, "volume length", at, room, "at least 512");
        }
        ByteView v = ByteView.of(source, new Range(at, 512));
        NotThisFormat.unless(v.startsWith(3, NAME), FAMILY, "name", at + 3, "another", "'EXFAT'");
        NotThisFormat.unless(v.u16be(510) == 0x55aa, FAMILY, "signature", at + 510, v.u16be(510), "0x55AA");
        int sectorShift = v.u8(108);
        int clusterShift = v.u8(109);
        Damaged.unless(sectorShift >= 9 && sectorShift <= 12, FAMILY, "sector size", at + 108, sectorShift, "9 to 12");
        Damaged.unless(
                sectorShift + clusterShift <= 25,
                FAMILY,
                "cluster size",
                at + 109,
                clusterShift,
                "at most 25 with the sector size");
        int sectorBytes = 1 << sectorShift;
        long sectors = v.u32le(72) | v.u32le(76) << 32;
        Damaged.unless(
                sectors > 0 && sectors < Long.MAX_VALUE / sectorBytes - start,
                FAMILY,
                "sectors",
                at + 72,
                sectors,
                "more than 0");
        long tableSector = v.u32le(80);
        long tableSectors = v.u32le(84);
        long clustersSector = v.u32le(88);
        long clusters = v.u32le(92);
        int tables = v.u8(110);
        Damaged.unless(tables >= 1 && tables <= 2, FAMILY, "tables", at + 110, tables, "1 or 2");
        Damaged.unless(
                tableSector >= 24 && tableSector + tableSectors * tables <= clustersSector,
                FAMILY,
                "first sector of the table",
                at + 80,
                tableSector,
                "24 or more, before the clusters");
        Damaged.unless(
                clusters > 0 && clusters <= tableSectors * sectorBytes / 4 - 2 && clustersSector < sectors,
                FAMILY,
                "clusters",
                at + 92,
                clusters,
                "as many as the table has entries");
        long root = v.u32le(96);
        Damaged.unless(
                root >= 2 && root < clusters + 2,
                FAMILY,
                "root folder's cluster",
                at + 96,
                root,
                "2 to " + (clusters + 1));
        int flags = v.u16le(106);
        long table = (flags & 1) != 0 && tables == 2 ? tableSector + tableSectors : tableSector;
        return new BootSector(
                start,
                sectorBytes,
                sectors,
                new Range(start + table * sectorBytes, tableSectors * sectorBytes),
                new Clusters(start + clustersSector * sectorBytes, 1 << sectorShift + clusterShift, clusters),
                root,
                v.u32le(100),
                flags);
    }

    long tableAt() {
        return table.offset();
    }

    long tableBytes() {
        return table.length();
    }

    long clustersAt() {
        return data.at();
    }

    int clusterBytes() {
        return data.bytes();
    }

    long clusters() {
        return data.count();
    }

    long lengthBytes() {
        return sectors * sectorBytes;
    }

    long offset(long cluster) {
        return data.at() + (cluster - 2) * data.bytes();
    }

    /** Whether a sector begins like one. */
    static boolean begins(byte[] b, int i) {
        return u16(b, i + 510) == 0xaa55 && Arrays.equals(b, i + 3, i + 11, NAME, 0, NAME.length);
    }
}
