package org.brantel.core.filesystem.ntfs;

import static org.brantel.core.bytes.LittleEndian.u16;

import java.io.IOException;
import java.util.Arrays;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Damaged;
import org.brantel.core.filesystem.NotThisFormat;
import org.brantel.core.source.Source;

/**
 * The boot sector of an NTFS volume (NTFS3 "struct NTFS_BOOT"); a copy stands in the sector after the volume's last.
 *
 * <pre>
 * offset size field
 *      3    8  "NTFS    "
 *     11    2  bytes per sector
 *     13    1  sectors per cluster: 1 to 128, or 244 to 255 for 2^(256 - value)
 *     40    8  sectors of the volume
 *     48    8  first cluster of the master file table
 *     56    8  first cluster of its mirror
 *     64    1  clusters per record, or 2^(256 - value) bytes when above 127
 *     68    1  clusters per index block, likewise
 *     72    8  serial number
 *    510    2  signature 55 AA
 * </pre>
 *
 * @param start first byte of the volume in the source
 */
record BootSector(
        long start, int bytesPerSector, int clusterBytes, long sectors, Table table, int indexBytes, long serial) {

    /**
     * The master file table.
     *
     * @param cluster     its first
     * @param mirror      the first of its mirror
     * @param recordBytes of each record
     */
    record Table(long cluster, long mirror, int recordBytes) {}

    private static final String FAMILY = "an NTFS volume";
    private static final byte[] NAME = {'N', 'T', 'F', 'S', ' ', ' ', ' ', ' '};

    static BootSector read(Source source, Range room) throws IOException {
        return read(source, room.offset(), room.offset(), room.length());
    }

    /**
     * @param at    where the sector, or the copy of it, lies
     * @param start where the volume begins
     * @param room  bytes that it may take at most
     */
    static BootSector read(Source source, long at, long start, long room) throws IOException {
        if (room < 512 || at > source.size() - 512) {
            throw new NotThisFormat(FAMILY, "volume length", at, room, "at least 512");
        }
        ByteView v = ByteView.of(source, new Range(at, 512));
        NotThisFormat.unless(v.startsWith(3, NAME), FAMILY, "name", at + 3, "another", "'NTFS'");
        int bytesPerSector = v.u16le(11);
        Damaged.unless(
                bytesPerSector >= 256 && bytesPerSector <= 4096 && Integer.bitCount(bytesPerSector) == 1,
                FAMILY,
                "bytes per sector",
                at + 11,
                bytesPerSector,
                "256 to 4096, a power of two");
        int perCluster = v.u8(13);
        int sectorsPerCluster = perCluster >= 244 ? 1 << 256 - perCluster : perCluster;
        Damaged.unless(
                Integer.bitCount(sectorsPerCluster) == 1 && (long) sectorsPerCluster * bytesPerSector <= 2 << 20,
                FAMILY,
                "sectors per cluster",
                at + 13,
                perCluster,
                "a power of two");
        int clusterBytes = sectorsPerCluster * bytesPerSector;
        long sectors = v.u32le(40) | v.u32le(44) << 32;
        Damaged.unless(
                sectors > 0 && sectors < Long.MAX_VALUE / bytesPerSector - start,
                FAMILY,
                "sectors",
                at + 40,
                sectors,
                "more than 0");
        long clusters = sectors / sectorsPerCluster;
        long mft = v.u32le(48) | v.u32le(52) << 32;
        long mirror = v.u32le(56) | v.u32le(60) << 32;
        Damaged.unless(
                mft >= 0 && mft < clusters,
                FAMILY,
                "cluster of the file table",
                at + 48,
                mft,
                "0 to " + (clusters - 1));
        int recordBytes = size(v.u8(64), clusterBytes);
        Damaged.unless(
                recordBytes >= 256 && recordBytes <= 65536 && Integer.bitCount(recordBytes) == 1,
                FAMILY,
                "bytes per record",
                at + 64,
                recordBytes,
                "256 to 65536, a power of two");
        int indexBytes = size(v.u8(68), clusterBytes);
        Damaged.unless(
                indexBytes >= 256 && indexBytes <= 65536 && Integer.bitCount(indexBytes) == 1,
                FAMILY,
                "bytes per index block",
                at + 68,
                indexBytes,
                "256 to 65536, a power of two");
        long serial = v.u32le(72) | v.u32le(76) << 32;
        return new BootSector(
                start,
                bytesPerSector,
                clusterBytes,
                sectors,
                new Table(mft, mirror < 0 || mirror >= clusters ? mft : mirror, recordBytes),
                indexBytes,
                serial);
    }

    long mftCluster() {
        return table.cluster();
    }

    long mirrorCluster() {
        return table.mirror();
    }

    int recordBytes() {
        return table.recordBytes();
    }

    private static int size(int value, int clusterBytes) {
        return value > 127 ? 256 - value > 24 ? 0 : 1 << 256 - value : value * clusterBytes;
    }

    /** Bytes of the volume, with the copy of this sector at its end. */
    long lengthBytes() {
        return (sectors + 1) * bytesPerSector;
    }

    long clusters() {
        return sectors * bytesPerSector / clusterBytes;
    }

    long offset(long cluster) {
        return start + cluster * clusterBytes;
    }

    /** Whether a sector begins like one. */
    static boolean begins(byte[] b, int i) {
        return u16(b, i + 510) == 0xaa55 && Arrays.equals(b, i + 3, i + 11, NAME, 0, NAME.length);
    }
}
