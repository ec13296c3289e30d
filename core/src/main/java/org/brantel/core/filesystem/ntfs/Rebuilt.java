package org.brantel.core.filesystem.ntfs;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.LittleEndian;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.source.Source;

/**
 * The boot sector of a volume that lost it and its copy. The first record of the file table says in clusters where the
 * table begins, the second where its mirror does; only one cluster size and one start fit both to where they stand.
 */
final class Rebuilt {

    private static final int USUAL_INDEX = 4096;

    private final Source source;

    private Rebuilt(Source source) {
        this.source = source;
    }

    /** @param places where records stand */
    static List<BootSector> from(Source source, long[] places) throws IOException {
        Rebuilt rebuilt = new Rebuilt(source);
        List<BootSector> found = new ArrayList<>();
        for (long place : places) {
            if (found.stream().noneMatch(b -> place >= b.start() && place < b.start() + b.lengthBytes())) {
                rebuilt.at(place).ifPresent(found::add);
            }
        }
        return found;
    }

    private Optional<BootSector> at(long place) throws IOException {
        byte[] head = new byte[32];
        if (place > source.size() - 4096
                || !source.read(place, head, 0, head.length).isClean()) {
            return Optional.empty();
        }
        long recordBytes = LittleEndian.u32(head, 28);
        if (recordBytes < 256 || recordBytes > 65536 || Long.bitCount(recordBytes) != 1) {
            return Optional.empty();
        }
        // Counted in clusters, whatever their size is.
        BootSector inClusters = new BootSector(
                0, 1, 1, Long.MAX_VALUE / 16, new BootSector.Table(0, 0, (int) recordBytes), USUAL_INDEX, 0);
        Optional<Long> table = firstCluster(inClusters, place, 0, "$MFT");
        Optional<Long> mirror = firstCluster(inClusters, place + recordBytes, 1, "$MFTMirr");
        if (table.isEmpty() || mirror.isEmpty() || table.get().equals(mirror.get())) {
            return Optional.empty();
        }
        for (int clusterBytes = 512; clusterBytes <= 64 << 10; clusterBytes *= 2) {
            for (long own : new long[] {table.get(), mirror.get()}) {
                long other = own == table.get() ? mirror.get() : table.get();
                long start = place - own * clusterBytes;
                long there = start + other * clusterBytes;
                if (start >= 0 && start % 512 == 0 && there >= 0 && isFirst(inClusters, there)) {
                    return Optional.of(boot(start, clusterBytes, table.get(), mirror.get(), (int) recordBytes));
                }
            }
        }
        return Optional.empty();
    }

    private Optional<MftRecord> record(BootSector boot, long place, long number) throws IOException {
        byte[] b = new byte[boot.recordBytes()];
        boolean there = place >= 0
                && place <= source.size() - b.length
                && source.read(place, b, 0, b.length).isClean();
        return there ? MftRecord.parse(b, 0, boot, Long.MAX_VALUE / 16, number) : Optional.empty();
    }

    private boolean isFirst(BootSector boot, long place) throws IOException {
        return record(boot, place, 0)
                .flatMap(RecordFiles::nameOf)
                .map(n -> n.name().equals("$MFT"))
                .orElse(false);
    }

    private Optional<Long> firstCluster(BootSector boot, long place, long number, String name) throws IOException {
        return record(boot, place, number)
                .filter(r ->
                        RecordFiles.nameOf(r).map(n -> n.name().equals(name)).orElse(false))
                .flatMap(r -> r.attributes().stream()
                        .filter(a -> a.type() == Attribute.DATA && !a.resident())
                        .map(Attribute::extents)
                        .filter(e -> e != null && !e.isEmpty())
                        .findFirst())
                .map(e -> e.get(0))
                .filter(e -> !e.isHole())
                .map(Extent::offset);
    }

    /** As many clusters as the bitmap has bits, or as the medium holds. */
    private BootSector boot(long start, int clusterBytes, long table, long mirror, int recordBytes) throws IOException {
        long sectors = (source.size() - start) / 512;
        BootSector.Table own = new BootSector.Table(table, mirror, recordBytes);
        BootSector whole = new BootSector(start, 512, clusterBytes, sectors, own, USUAL_INDEX, 0);
        Optional<MftRecord> bitmap = record(whole, whole.offset(table) + 6L * recordBytes, 6);
        long bits = bitmap.flatMap(r -> r.first(Attribute.DATA))
                .filter(a -> !a.resident() && a.extents() != null && Extents.length(a.extents()) >= a.size())
                .map(a -> a.size() * 8)
                .orElse(0L);
        long byBitmap = bits * (clusterBytes / 512);
        return bits == 0 || byBitmap > sectors + 64L * clusterBytes / 512
                ? whole
                : new BootSector(start, 512, clusterBytes, Math.min(byBitmap, sectors), own, USUAL_INDEX, 0);
    }
}
