package org.brantel.core.filesystem.fat;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.filesystem.Chains;
import org.brantel.core.filesystem.Fault;
import org.brantel.core.filesystem.FileRecord;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.filesystem.Placement;
import org.brantel.core.filesystem.Problems;
import org.brantel.core.filesystem.Space;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/** Walks the tree of folders, live and deleted, and collects the records of files. */
final class Folders {

    /** FAT32S: a folder holds at most 65,536 entries. */
    private static final int MAX_FOLDER_BYTES = 65536 * DirectoryEntry.SIZE;

    private static final int MAX_DEPTH = 128;

    private record Folder(String path, List<Extent> where, boolean deleted, int depth) {}

    private final Source source;
    private final BootSector boot;
    private final Chains.@Nullable Links links;
    private final Space space;
    private final Problems problems;
    private final Deque<Folder> waiting = new ArrayDeque<>();
    private final BitSet visited = new BitSet();
    private final List<FileRecord> live = new ArrayList<>();
    private final List<FileRecord> deleted = new ArrayList<>();
    private final RangeSet deletedPlaces = new RangeSet();
    private @Nullable Instant made;

    /** @param links of the allocation table; null where there is none any more and everything is deleted */
    Folders(Source source, BootSector boot, Chains.@Nullable Links links, Space space, FindingSink sink) {
        this.source = source;
        this.boot = boot;
        this.links = links;
        this.space = space;
        this.problems = new Problems(sink, "the volume at byte " + boot.start());
    }

    List<FileRecord> live() {
        return live;
    }

    List<FileRecord> deleted() {
        return deleted;
    }

    /** When the volume was made: the date of its label, which the root folder keeps; null without one. */
    @Nullable
    Instant made() {
        return made;
    }

    /** Only the root folder, for what the volume says of itself. */
    void root() throws IOException {
        read(new Folder(
                "",
                boot.fatBits() == 32 ? liveClusters(boot.rootCluster(), "/") : List.of(Extent.of(boot.fixedRoot())),
                false,
                0));
        waiting.clear();
    }

    /** Where deleted folders were read. */
    RangeSet deletedPlaces() {
        return deletedPlaces;
    }

    void walk() throws IOException {
        if (boot.fatBits() == 32) {
            visited.set((int) boot.rootCluster());
            waiting.add(new Folder("", liveClusters(boot.rootCluster(), "/"), false, 0));
        } else {
            waiting.add(new Folder("", List.of(Extent.of(boot.fixedRoot())), false, 0));
        }
        drain();
    }

    /**
     * Reads folders that no folder leads to.
     *
     * @param firstClusters of folders, with the cluster that each says its parent has
     * @param pieces        clusters that hold nothing but entries
     */
    void walkLost(Map<Long, Long> firstClusters, Iterable<Long> pieces) throws IOException {
        // From the top down, so that names come from the folders above.
        for (Map.Entry<Long, Long> e : firstClusters.entrySet()) {
            if (!firstClusters.containsKey(e.getValue()) || e.getValue().equals(e.getKey())) {
                startLost(e.getKey(), e.getValue() == 0 ? "" : "/(lost folder " + e.getValue() + ")");
            }
        }
        for (Map.Entry<Long, Long> e : firstClusters.entrySet()) {
            startLost(e.getKey(), "/(lost folder " + e.getValue() + ")");
        }
        for (long piece : pieces) {
            Range where = boot.cluster(piece);
            if (!deletedPlaces.overlaps(where) && holdsOnlyEntries(piece)) {
                deletedPlaces.add(where);
                waiting.add(new Folder("/(lost folder piece " + piece + ")", List.of(Extent.of(where)), true, 0));
                drain();
            }
        }
    }

    private void startLost(long first, String parent) throws IOException {
        List<Extent> where = visited.get((int) first) ? List.of() : deletedFolder(first);
        if (!where.isEmpty()) {
            visited.set((int) first);
            where.forEach(e -> deletedPlaces.add(e.range()));
            waiting.add(new Folder(parent + "/(lost folder " + first + ")", where, true, 0));
            drain();
        }
    }

    private boolean holdsOnlyEntries(long cluster) throws IOException {
        Range where = boot.cluster(cluster);
        byte[] block = new byte[boot.clusterBytes()];
        return where.end() <= source.size()
                && source.read(where.offset(), block, 0, block.length).isClean()
                && holdsOnlyEntries(block);
    }

    private void drain() throws IOException {
        while (!waiting.isEmpty()) {
            read(waiting.poll());
        }
    }

    private Chains.Chain followed(long first, long most) throws IOException {
        return Chains.follow(Objects.requireNonNull(links, "the table's links, where something is live"), first, most);
    }

    private List<Extent> liveClusters(long first, String path) throws IOException {
        Chains.Chain chain = followed(first, MAX_FOLDER_BYTES / boot.clusterBytes() + 1L);
        if (chain.brokenBy() != null) {
            problems.add("The chain of folder " + path + " breaks after " + chain.clusters() + " clusters: "
                    + chain.brokenBy() + ".");
        }
        return Extents.cut(chain.extents(), MAX_FOLDER_BYTES);
    }

    private void read(Folder folder) throws IOException {
        LongName longName = new LongName();
        for (Extent extent : folder.where()) {
            long end = Math.min(extent.range().end(), source.size());
            for (long at = extent.offset(); at < end; ) {
                int length = (int) Math.min(end - at, boot.clusterBytes());
                byte[] block = new byte[length];
                RangeSet unread = RangeSet.of(source.read(at, block, 0, length).failed());
                if (!unread.isEmpty()) {
                    problems.add("Folder " + shown(folder.path()) + ": " + unread.total() + " bytes at " + at
                            + " were not read; entries there are missing.");
                }
                if (!entries(folder, block, at, unread, longName)) {
                    return;
                }
                at += length;
            }
        }
    }

    /** @return false at the mark that says no more entries follow */
    private boolean entries(Folder folder, byte[] block, long blockAt, RangeSet unread, LongName longName)
            throws IOException {
        for (int i = 0; i + DirectoryEntry.SIZE <= block.length; i += DirectoryEntry.SIZE) {
            if (unread.overlaps(new Range(blockAt + i, DirectoryEntry.SIZE))) {
                longName.gap();
                continue;
            }
            if (block[i] == 0) {
                return false;
            }
            if ((block[i + 11] & 0x3f) == DirectoryEntry.LONG_NAME) {
                longName.add(block, i);
                continue;
            }
            DirectoryEntry entry = DirectoryEntry.parse(block, i, boot.fatBits(), blockAt + i);
            String name = longName.nameFor(entry);
            if (entry.isLabel() && folder.depth() == 0 && !entry.deleted()) {
                made = entry.times().modified();
            }
            if (entry.isLabel() || entry.isDots()) {
                continue;
            }
            if (!entry.isPlausible(boot)) {
                problems.add("Folder " + shown(folder.path()) + ": the entry at byte " + entry.entryByte()
                        + " is malformed and was passed over.");
                continue;
            }
            take(folder, entry, name);
        }
        return true;
    }

    private void take(Folder folder, DirectoryEntry entry, @Nullable String longName) throws IOException {
        boolean isDeleted = folder.deleted() || entry.deleted();
        String name = longName != null ? longName : entry.shortName();
        String path = folder.path() + "/" + name;
        if (entry.isFolder()) {
            enter(folder, entry, path, isDeleted);
            return;
        }
        boolean nameWhole = longName != null || !entry.deleted();
        (isDeleted ? deleted : live).add(record(path, name, entry, isDeleted, nameWhole));
    }

    private FileRecord record(String path, String name, DirectoryEntry entry, boolean isDeleted, boolean nameWhole)
            throws IOException {
        List<Fault> faults = new ArrayList<>();
        Placement placement = isDeleted ? new Placement.Erased(entry.firstCluster(), false) : chain(entry, faults);
        return new FileRecord(
                Named.of(path, name),
                nameWhole,
                entry.size(),
                placement,
                null,
                entry.times(),
                faults,
                RecordFacts.at(entry.entryByte(), entry.attributeWords()));
    }

    private Placement chain(DirectoryEntry entry, List<Fault> faults) throws IOException {
        if (entry.size() == 0) {
            return new Placement.Known(List.of());
        }
        long need = space.clustersFor(entry.size());
        Chains.Chain chain = followed(entry.firstCluster(), need);
        if (chain.clusters() < need) {
            faults.add(new Fault.BrokenChain(chain.clusters(), need, chain.brokenBy()));
        }
        return new Placement.Known(Extents.cut(chain.extents(), entry.size()));
    }

    private void enter(Folder parent, DirectoryEntry entry, String path, boolean isDeleted) throws IOException {
        long first = entry.firstCluster();
        if (!boot.isCluster(first)) {
            return;
        }
        if (visited.get((int) first)) {
            if (!isDeleted) {
                problems.add("Folder " + path + " starts at cluster " + first
                        + ", which another folder uses; not entered again.");
            }
            return;
        }
        if (parent.depth() >= MAX_DEPTH) {
            problems.add("Folder " + path + " is nested deeper than " + MAX_DEPTH + " levels; not entered.");
            return;
        }
        List<Extent> where = isDeleted ? deletedFolder(first) : liveClusters(first, path);
        if (isDeleted) {
            where.forEach(e -> deletedPlaces.add(e.range()));
        }
        if (!where.isEmpty()) {
            visited.set((int) first);
            waiting.add(new Folder(path, where, isDeleted, parent.depth() + 1));
        }
    }

    /**
     * The clusters of a folder whose chain is erased: its first one if it still begins with its own {@code .} entry and
     * nothing else uses it, and those after it while they are free and hold nothing but entries.
     */
    private List<Extent> deletedFolder(long first) throws IOException {
        Extents clusters = new Extents();
        for (long c = first; boot.isCluster(c) && !space.isUsed(c) && clusters.length() < MAX_FOLDER_BYTES; c++) {
            byte[] block = new byte[boot.clusterBytes()];
            Range where = boot.cluster(c);
            if (where.end() > source.size()
                    || !source.read(where.offset(), block, 0, block.length).isClean()) {
                break;
            }
            if (c == first ? !beginsWithItself(block, first) : !holdsOnlyEntries(block)) {
                break;
            }
            clusters.add(where.offset(), where.length());
            if (endsHere(block)) {
                break;
            }
        }
        return clusters.list();
    }

    private boolean beginsWithItself(byte[] block, long cluster) {
        DirectoryEntry dot = DirectoryEntry.parse(block, 0, boot.fatBits(), 0);
        return dot.isDots() && dot.isFolder() && dot.firstCluster() == cluster;
    }

    private boolean holdsOnlyEntries(byte[] block) {
        if (block[0] == 0 || block[0] == '.') {
            return false;
        }
        for (int i = 0; i < block.length && block[i] != 0; i += DirectoryEntry.SIZE) {
            boolean longPart =
                    (block[i + 11] & 0x3f) == DirectoryEntry.LONG_NAME && block[i + 26] == 0 && block[i + 27] == 0;
            if (!longPart && !DirectoryEntry.parse(block, i, boot.fatBits(), 0).isPlausible(boot)) {
                return false;
            }
        }
        return true;
    }

    private static boolean endsHere(byte[] block) {
        for (int i = 0; i < block.length; i += DirectoryEntry.SIZE) {
            if (block[i] == 0) {
                return true;
            }
        }
        return false;
    }

    private static String shown(String path) {
        return path.isEmpty() ? "/" : path;
    }
}
