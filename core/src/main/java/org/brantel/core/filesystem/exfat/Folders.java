package org.brantel.core.filesystem.exfat;

import static org.brantel.core.bytes.LittleEndian.i64;
import static org.brantel.core.bytes.LittleEndian.u32;
import static org.brantel.core.bytes.LittleEndian.u8;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.content.FileContent;
import org.brantel.core.filesystem.Chains;
import org.brantel.core.filesystem.ClusterSet;
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

    /** EXFAT section 7.4: a folder holds at most 256 MiB. */
    private static final long MAX_FOLDER_BYTES = 256L << 20;

    private static final int MAX_DEPTH = 128;
    private static final int BLOCK = 64 << 10;
    private static final int LONGEST_SET = 20 * EntrySet.SIZE;
    private static final int LABEL = 0x83;
    private static final int BITMAP = 0x81;

    private record Folder(String path, List<Extent> where, boolean deleted, int depth) {}

    private final Source source;
    private final BootSector boot;
    private final ExfatTable table;
    private final Problems problems;
    private final Deque<Folder> waiting = new ArrayDeque<>();
    private final ClusterSet visited;
    private final List<FileRecord> live = new ArrayList<>();
    private final List<FileRecord> deleted = new ArrayList<>();
    private final RangeSet deletedPlaces = new RangeSet();
    private String label = "";
    private List<Extent> bitmap = List.of();

    Folders(Source source, BootSector boot, ExfatTable table, Problems problems) {
        this.source = source;
        this.boot = boot;
        this.table = table;
        this.problems = problems;
        visited = new ClusterSet(boot.clusters());
    }

    List<FileRecord> live() {
        return live;
    }

    List<FileRecord> deleted() {
        return deleted;
    }

    /** Where deleted folders were read. */
    RangeSet deletedPlaces() {
        return deletedPlaces;
    }

    String label() {
        return label;
    }

    List<Extent> bitmap() {
        return bitmap;
    }

    /** Only the root folder, for what the volume says of itself. */
    void root() throws IOException {
        read(rootFolder(), null);
    }

    /** @param space knows what is in use; deleted folders are read only where nothing is */
    void walk(Space space) throws IOException {
        visited.add(boot.rootCluster() - 2);
        waiting.add(rootFolder());
        while (!waiting.isEmpty()) {
            read(waiting.poll(), space);
        }
    }

    /** Reads clusters of folders that no folder leads to, those first that no other of them leads to. */
    void walkLost(Iterable<Long> clusters, Space space) throws IOException {
        ClusterSet below = new ClusterSet(boot.clusters());
        Folders first = new Folders(source, boot, table, new Problems(FindingSink.NONE, ""));
        for (long cluster : clusters) {
            first.childrenOf(cluster, below);
        }
        for (int round = 0; round < 2; round++) {
            for (long cluster : clusters) {
                if (!visited.holds(cluster - 2) && (round == 1 || !below.holds(cluster - 2))) {
                    visited.add(cluster - 2);
                    waiting.add(new Folder(
                            "/(lost folder " + cluster + ")",
                            List.of(new Extent(boot.offset(cluster), boot.clusterBytes())),
                            true,
                            1));
                    while (!waiting.isEmpty()) {
                        read(waiting.poll(), space);
                    }
                }
            }
        }
    }

    private void childrenOf(long cluster, ClusterSet children) throws IOException {
        byte[] block = new byte[boot.clusterBytes()];
        if (boot.offset(cluster) + block.length > source.size()
                || !source.read(boot.offset(cluster), block, 0, block.length).isClean()) {
            return;
        }
        for (int at = 0; at + EntrySet.SIZE <= block.length; at += EntrySet.SIZE) {
            Optional<EntrySet> set =
                    EntrySet.beginsAt(block, at) ? EntrySet.parse(block, at, block.length) : Optional.empty();
            if (set.isPresent() && set.get().isFolder() && set.get().stream().firstCluster() >= 2) {
                children.add(
                        set.get().stream().firstCluster() - 2,
                        Math.max(1, set.get().stream().size() / boot.clusterBytes()));
            }
        }
    }

    private Folder rootFolder() throws IOException {
        return new Folder("", chain(boot.rootCluster(), "/"), false, 0);
    }

    private List<Extent> chain(long first, String path) throws IOException {
        Chains.Chain chain = Chains.follow(table, first, MAX_FOLDER_BYTES / boot.clusterBytes() + 1);
        if (chain.brokenBy() != null) {
            problems.add("The chain of folder " + path + " breaks after " + chain.clusters() + " clusters: "
                    + chain.brokenBy() + ".");
        }
        return Extents.cut(chain.extents(), MAX_FOLDER_BYTES);
    }

    private void read(Folder folder, @Nullable Space space) throws IOException {
        FileContent content = new FileContent(source, folder.where(), Extents.length(folder.where()), null);
        byte[] block = new byte[BLOCK + LONGEST_SET];
        for (long at = 0; at < content.size(); ) {
            int n = (int) Math.min(block.length, content.size() - at);
            ReadOutcome outcome = content.read(at, block, 0, n);
            if (!outcome.isClean()) {
                problems.add("Folder " + shown(folder.path()) + ": "
                        + outcome.failed().stream().mapToLong(r -> r.length()).sum()
                        + " bytes were not read; entries there are missing.");
            }
            boolean last = at + n == content.size();
            int done = entries(folder, block, n, last ? n : BLOCK, at, space);
            if (done < 0) {
                return;
            }
            at += done;
        }
    }

    /** @return bytes that are done with; -1 at the mark that says no more entries follow */
    private int entries(Folder folder, byte[] block, int length, int until, long blockAt, @Nullable Space space)
            throws IOException {
        int at = 0;
        while (at < until && at + EntrySet.SIZE <= length) {
            int type = u8(block, at);
            if (type == 0 && !folder.deleted()) {
                return -1;
            }
            Optional<EntrySet> set =
                    EntrySet.beginsAt(block, at) ? EntrySet.parse(block, at, length) : Optional.empty();
            if (set.isPresent()) {
                take(folder, set.get(), placeOf(folder, blockAt + at), space);
                at += set.get().entries() * EntrySet.SIZE;
                continue;
            }
            if (type == 0x85) {
                problems.add("Folder " + shown(folder.path()) + ": the entry at byte " + placeOf(folder, blockAt + at)
                        + " is malformed and was passed over.");
            } else if (type == LABEL && folder.depth() == 0 && u8(block, at + 1) <= 11) {
                label = new String(block, at + 2, u8(block, at + 1) * 2, StandardCharsets.UTF_16LE);
            } else if (type == BITMAP && folder.depth() == 0) {
                long size = Math.min(i64(block, at + 24), boot.clusters() / 8 + 1);
                Chains.Chain chain =
                        Chains.follow(table, u32(block, at + 20), size < 0 ? 0 : size / boot.clusterBytes() + 1);
                bitmap = Extents.cut(chain.extents(), Math.max(0, size));
            }
            at += EntrySet.SIZE;
        }
        return Math.max(at, EntrySet.SIZE);
    }

    private static long placeOf(Folder folder, long at) {
        return Extents.slice(folder.where(), at, 1).stream()
                .findFirst()
                .map(Extent::offset)
                .orElse(-1L);
    }

    private void take(Folder folder, EntrySet set, long at, @Nullable Space space) throws IOException {
        boolean isDeleted = folder.deleted() || !set.live();
        String path = folder.path() + "/" + set.name();
        if (set.isFolder()) {
            if (space != null) {
                enter(folder, set, path, isDeleted, space);
            }
            return;
        }
        List<Fault> faults = new ArrayList<>();
        if (!set.sound()) {
            faults.add(new Fault.Checksum());
        }
        Placement placement =
                set.stream().size() == 0 ? new Placement.Known(List.of()) : placement(set, isDeleted, space, faults);
        (isDeleted ? deleted : live)
                .add(new FileRecord(
                        Named.of(path, set.name()),
                        true,
                        set.stream().size(),
                        placement,
                        null,
                        set.times(),
                        faults,
                        RecordFacts.at(at, set.attributeWords())));
    }

    private Placement placement(EntrySet set, boolean isDeleted, @Nullable Space space, List<Fault> faults)
            throws IOException {
        long first = set.stream().firstCluster();
        long need =
                set.stream().size() / boot.clusterBytes() + (set.stream().size() % boot.clusterBytes() == 0 ? 0 : 1);
        if (first < 2 || first - 2 >= boot.clusters()) {
            return isDeleted
                    ? new Placement.Erased(first, true)
                    : new Placement.Known(missing(faults, "its first cluster " + first + " does not exist"));
        }
        if (set.stream().inPiece()) {
            if (need > boot.clusters() - (first - 2)) {
                faults.add(new Fault.BeyondVolume(set.stream().size()));
            }
            long length = Math.min(need, boot.clusters() - (first - 2)) * boot.clusterBytes();
            return new Placement.Known(Extents.withUnwrittenTail(
                    List.of(new Extent(boot.offset(first), length)),
                    set.stream().written(),
                    set.stream().size()));
        }
        Chains.Chain chain = Chains.follow(table, first, need);
        boolean whole = chain.clusters() == need;
        if (isDeleted) {
            // A chain may outlive its file; where it does not, only the first cluster is known.
            return whole && space != null && need > 1
                    ? new Placement.Known(Extents.withUnwrittenTail(
                            chain.extents(),
                            set.stream().written(),
                            set.stream().size()))
                    : new Placement.Erased(first, true);
        }
        if (!whole) {
            faults.add(new Fault.BrokenChain(chain.clusters(), need, chain.brokenBy()));
        }
        return new Placement.Known(Extents.withUnwrittenTail(
                chain.extents(), set.stream().written(), set.stream().size()));
    }

    private static List<Extent> missing(List<Fault> faults, String why) {
        faults.add(new Fault.NoPlace(why));
        return List.of();
    }

    private void enter(Folder parent, EntrySet set, String path, boolean isDeleted, Space space) throws IOException {
        long first = set.stream().firstCluster();
        if (first < 2 || first - 2 >= boot.clusters()) {
            return;
        }
        if (visited.holds(first - 2)) {
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
        List<Extent> where;
        if (set.stream().inPiece()) {
            long clusters = Math.min(
                    boot.clusters() - (first - 2),
                    Math.min(set.stream().size(), MAX_FOLDER_BYTES) / boot.clusterBytes());
            where = List.of(new Extent(boot.offset(first), clusters * boot.clusterBytes()));
        } else {
            where = isDeleted ? List.of(new Extent(boot.offset(first), boot.clusterBytes())) : chain(first, path);
        }
        if (isDeleted) {
            // Whatever has been written there since is no folder of this one.
            Extents free = new Extents();
            for (Extent e : where) {
                for (long at = e.offset();
                        at < e.range().end() && !space.isUsed((at - boot.offset(2)) / boot.clusterBytes() + 2);
                        at += boot.clusterBytes()) {
                    free.add(at, boot.clusterBytes());
                }
            }
            where = free.list();
            where.forEach(e -> {
                deletedPlaces.add(e.range());
                visited.add((e.offset() - boot.offset(2)) / boot.clusterBytes(), e.length() / boot.clusterBytes());
            });
        }
        visited.add(first - 2);
        waiting.add(new Folder(path, where, isDeleted, parent.depth() + 1));
    }

    private static String shown(String path) {
        return path.isEmpty() ? "/" : path;
    }
}
