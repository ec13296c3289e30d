package org.brantel.core.filesystem.fat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.source.Source;

/**
 * The boot sector of a volume that lost it. Folders say where the clusters begin and how large they are; two tables of
 * the same length end there, or before the fixed root folder.
 */
final class Rebuilt {

    private static final int SECTOR = 512;
    private static final long LOOK_BACK = 64L << 20;
    private static final int MOST_ROOT = 64 << 10;

    private Rebuilt() {}

    /** @param folders places where folders begin, ascending */
    static Optional<BootSector> from(Source source, List<Range> gaps, long[] folders) throws IOException {
        Map<Long, Long> clusters = new HashMap<>();
        byte[] b = new byte[DirectoryEntry.SIZE];
        for (long place : folders) {
            if (source.read(place, b, 0, b.length).isClean()) {
                clusters.put(place, DirectoryEntry.parse(b, 0, 32, place).firstCluster());
            }
        }
        Optional<LostFolders.Geometry> geometry = LostFolders.voteOf(clusters);
        if (geometry.isEmpty()) {
            return Optional.empty();
        }
        long data = geometry.get().dataStart();
        Optional<Range> gap =
                gaps.stream().filter(g -> g.offset() < data && g.end() >= data).findFirst();
        return gap.isEmpty()
                ? Optional.empty()
                : tables(source, Math.max(gap.get().offset(), data - LOOK_BACK), geometry.get());
    }

    private static Optional<BootSector> tables(Source source, long from, LostFolders.Geometry geometry)
            throws IOException {
        long data = geometry.dataStart();
        List<Long> starts = new ArrayList<>();
        byte[] sector = new byte[SECTOR];
        for (long at = (from + SECTOR - 1) / SECTOR * SECTOR; at < data && starts.size() < 64; at += SECTOR) {
            // A table begins with the medium's byte and ones (FAT32S "FAT Data Structure").
            if (source.read(at, sector, 0, SECTOR).isClean()
                    && (sector[0] & 0xff) >= 0xf0
                    && sector[1] == -1
                    && sector[2] == -1) {
                starts.add(at);
            }
        }
        for (int i = 0; i < starts.size(); i++) {
            for (int j = i + 1; j < starts.size(); j++) {
                long length = starts.get(j) - starts.get(i);
                long root = data - starts.get(j) - length;
                if (root == 0 || root > 0 && root <= MOST_ROOT && root % SECTOR == 0) {
                    return Optional.of(boot(source, starts.get(i), length, root, geometry));
                }
            }
        }
        return Optional.empty();
    }

    private static BootSector boot(Source source, long table, long length, long root, LostFolders.Geometry geometry)
            throws IOException {
        byte[] first = new byte[4];
        source.read(table, first, 0, first.length);
        int bits = root == 0 ? 32 : first[3] == -1 ? 16 : 12;
        long byTable = length * 8 / bits - 2;
        long byMedium = (source.size() - geometry.dataStart()) / geometry.clusterBytes();
        int clusters = (int) Math.min(0x0ffffff5, Math.min(byTable, byMedium));
        int perCluster = geometry.clusterBytes() / SECTOR;
        long total = (geometry.dataStart() - table) / SECTOR + (long) clusters * perCluster;
        return new BootSector(
                table,
                SECTOR,
                total,
                new BootSector.Tables(0, 2, length / SECTOR),
                new BootSector.Root((int) (root / DirectoryEntry.SIZE), root == 0 ? 2 : 0),
                new BootSector.Clusters(perCluster, clusters, bits),
                "",
                "");
    }
}
