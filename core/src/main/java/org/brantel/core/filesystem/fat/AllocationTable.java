package org.brantel.core.filesystem.fat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Chains;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.filesystem.Space;
import org.brantel.core.source.Source;

/**
 * The file allocation table: for each cluster the next one of its file (ECMA-107 section 8.4; FAT32S "FAT Data
 * Structure").
 *
 * <pre>
 * value (12 / 16 / 32 bits, the upper four of 32 ignored)
 *   000                        free
 *   FF7 / FFF7 / 0FFFFFF7      bad cluster
 *   FF8.. / FFF8.. / 0FFFFFF8  last of its chain
 *   else                       next cluster
 * </pre>
 *
 * Where a sector of the first copy was not read, the second is asked.
 */
final class AllocationTable implements Chains.Links {

    private final BootSector boot;
    private final List<ByteView> copies = new ArrayList<>();
    private final Space space;
    private final long endMark;

    private AllocationTable(BootSector boot, long clusters) {
        this.boot = boot;
        this.space = new Space(boot.dataStart(), boot.clusterBytes(), 2, clusters);
        this.endMark = switch (boot.fatBits()) {
            case 12 -> 0xff8;
            case 16 -> 0xfff8;
            default -> 0x0ffffff8L;
        };
    }

    static AllocationTable load(Source source, BootSector boot, FindingSink sink) throws IOException {
        long onMedium = Math.max(0, source.size() - boot.dataStart()) / boot.clusterBytes();
        AllocationTable table = new AllocationTable(boot, Math.min(boot.clusters(), onMedium + 1));
        for (int i = 0; i < boot.tables(); i++) {
            long from = boot.tableStart(i);
            if (from + boot.tableBytes() <= source.size()) {
                table.copies.add(ByteView.of(source, new Range(from, boot.tableBytes())));
            }
        }
        if (table.copies.isEmpty()) {
            sink.problem("No copy of the allocation table lies on the medium; live chains are unknown.");
            table.space.doubt(2, table.space.count());
            return table;
        }
        source.willNeed(List.of(new Range(boot.tableStart(0), boot.tableBytes())));
        for (long c = 2; table.space.isCluster(c); c++) {
            long value = table.next(c);
            if (value < 0) {
                table.space.doubt(c);
            } else if (value != 0) {
                table.space.use(c);
            }
        }
        long unknown = table.space.unknownClusters();
        if (unknown > 0) {
            sink.problem("The allocation of " + unknown + " of " + boot.clusters()
                    + " clusters is unknown: their table sectors were not read.");
        }
        return table;
    }

    Space space() {
        return space;
    }

    @Override
    public long next(long cluster) throws IOException {
        for (ByteView copy : copies) {
            try {
                return switch (boot.fatBits()) {
                    case 12 -> {
                        int pair = copy.u16le(cluster + cluster / 2);
                        yield (cluster & 1) == 0 ? pair & 0xfff : pair >> 4;
                    }
                    case 16 -> copy.u16le(cluster * 2);
                    default -> copy.u32le(cluster * 4) & 0x0fffffffL;
                };
            } catch (ByteView.Unread e) {
                // The next one may be readable.
            }
        }
        return -1;
    }

    @Override
    public boolean isEnd(long value) {
        return value >= endMark;
    }

    @Override
    public long clusters() {
        return boot.clusters();
    }

    @Override
    public long offset(long cluster) {
        return boot.cluster(cluster).offset();
    }

    @Override
    public int clusterBytes() {
        return boot.clusterBytes();
    }
}
