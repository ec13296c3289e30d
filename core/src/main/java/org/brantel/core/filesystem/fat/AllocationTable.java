package org.brantel.core.filesystem.fat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.source.ByteView;
import org.brantel.core.source.Range;
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
final class AllocationTable {

    private final BootSector boot;
    private final List<ByteView> copies = new ArrayList<>();
    private final BitSet allocated = new BitSet();
    private final BitSet unknown = new BitSet();
    private final long endMark;

    private AllocationTable(BootSector boot) {
        this.boot = boot;
        this.endMark = switch (boot.fatBits()) {
            case 12 -> 0xff8;
            case 16 -> 0xfff8;
            default -> 0x0ffffff8L;
        };
    }

    static AllocationTable load(Source source, BootSector boot, FindingSink sink) throws IOException {
        AllocationTable table = new AllocationTable(boot);
        for (int i = 0; i < boot.tables(); i++) {
            long from = boot.tableStart(i);
            if (from + boot.tableBytes() <= source.size()) {
                table.copies.add(ByteView.of(source, new Range(from, boot.tableBytes())));
            }
        }
        if (table.copies.isEmpty()) {
            sink.problem("No copy of the allocation table lies on the medium; live chains are unknown.");
            // Nothing to read, however many clusters the boot sector claims.
            table.unknown.set(2, (int) Math.min(Integer.MAX_VALUE, boot.clusters() + 2L));
            return table;
        }
        for (long c = 2; c < boot.clusters() + 2L; c++) {
            long value = table.next(c);
            if (value < 0) {
                table.unknown.set((int) c);
            } else if (value != 0) {
                table.allocated.set((int) c);
            }
        }
        if (!table.unknown.isEmpty()) {
            sink.problem("The allocation of " + table.unknown.cardinality() + " of " + boot.clusters()
                    + " clusters is unknown: their table sectors were not read.");
        }
        return table;
    }

    /** What the table says of a cluster; -1 when no copy of it was read. */
    long next(long cluster) throws IOException {
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
                continue;
            }
        }
        return -1;
    }

    boolean isEnd(long value) {
        return value >= endMark;
    }

    /** In use by something, or marked bad. */
    boolean isAllocated(long cluster) {
        return allocated.get((int) cluster);
    }

    boolean isUnknown(long cluster) {
        return unknown.get((int) cluster);
    }

    /** A chain as far as it holds. */
    record Chain(List<Long> clusters, String brokenBy) { }

    /**
     * Follows a chain.
     *
     * @param most clusters that are wanted at most; the walk also ends at a circle, a free or an impossible entry
     */
    Chain follow(long first, long most) throws IOException {
        List<Long> clusters = new ArrayList<>();
        BitSet seen = new BitSet();
        long at = first;
        while (clusters.size() < most) {
            if (!boot.isCluster(at)) {
                return new Chain(clusters, "it points to cluster " + at + ", which does not exist");
            }
            if (seen.get((int) at)) {
                return new Chain(clusters, "it runs in a circle at cluster " + at);
            }
            seen.set((int) at);
            clusters.add(at);
            long value = next(at);
            if (isEnd(value)) {
                return new Chain(clusters, null);
            }
            if (value < 0) {
                return new Chain(clusters, "its table sector was not read");
            }
            if (value == 0) {
                return new Chain(clusters, "it ends in a free cluster");
            }
            at = value;
        }
        return new Chain(clusters, null);
    }

    /** Clusters that nothing uses, as ranges of the source. */
    List<Range> freeSpace() {
        List<Range> free = new ArrayList<>();
        long end = boot.clusters() + 2L;
        for (int from = allocated.nextClearBit(2); from < end; from = allocated.nextClearBit(from)) {
            int to = allocated.nextSetBit(from);
            long until = to < 0 ? end : Math.min(to, end);
            free.add(new Range(boot.cluster(from).offset(), (until - from) * boot.clusterBytes()));
            if (to < 0) {
                break;
            }
            from = to;
        }
        return free;
    }
}
