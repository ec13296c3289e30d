package org.brantel.core.filesystem.fat;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.filesystem.FileRecord;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.filesystem.Judge;
import org.brantel.core.filesystem.Remark;
import org.brantel.core.filesystem.Space;
import org.brantel.core.filesystem.VolumeFacts;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.finding.Origin;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/**
 * Folders that no folder leads to any more: of before a format, or deleted with what was above them. A folder says
 * which cluster it is, so where it lies and what it says give the size and the start of the clusters.
 */
final class LostFolders implements FileSystem {

    /** Generations that are told apart in one volume at most. */
    private static final int MOST_COUNTINGS = 8;

    /** A folder's first cluster: where it lies, its own number and its parent's. */
    private record First(long place, long cluster, long parent) {}

    /** How clusters are counted: cluster 2 begins at {@code dataStart}. */
    record Geometry(long dataStart, int clusterBytes) {
        long clusterAt(long place) {
            long from = place - dataStart;
            return from < 0 || from % clusterBytes != 0 ? -1 : from / clusterBytes + 2;
        }
    }

    private final Source source;
    private final BootSector boot;
    private final List<Range> free;
    private final TreeMap<Long, Long> folders;
    private final TreeSet<Long> pieces;
    private final Origin origin;
    private final Range place;

    private LostFolders(
            Source source,
            BootSector boot,
            Range place,
            List<Range> free,
            TreeMap<Long, Long> folders,
            TreeSet<Long> pieces,
            Origin origin) {
        this.place = place;
        this.source = source;
        this.boot = boot;
        this.free = free;
        this.folders = folders;
        this.pieces = pieces;
        this.origin = origin;
    }

    /**
     * Folders in the free space of a volume.
     *
     * @param over    the volume, which may have been made over an earlier one with other clusters
     * @param known   folders that were read already
     * @param folders places where folders begin
     * @param entries places that hold nothing but entries
     * @return those in the volume's own clusters, and those of another counting; each may be missing
     */
    public static List<LostFolders> in(
            Source source, FatReader over, List<Range> free, RangeSet known, long[] folders, long[] entries)
            throws IOException {
        BootSector boot = over.boot();
        List<First> firsts = firsts(source, folders, boot.fatBits());
        firsts.removeIf(f -> known.overlaps(new Range(f.place(), 1)));
        Geometry own = new Geometry(boot.dataStart(), boot.clusterBytes());
        List<First> others = new ArrayList<>(firsts);
        others.removeIf(f -> own.clusterAt(f.place()) == f.cluster());
        firsts.removeAll(others);
        List<LostFolders> lost = new ArrayList<>();
        BootSector clusters =
                BootSector.ofClusters(boot.dataStart(), boot.clusterBytes(), boot.clusters(), boot.fatBits());
        build(
                        source,
                        clusters,
                        over.facts().place(),
                        own,
                        free,
                        known,
                        firsts,
                        entries,
                        over.facts().made())
                .ifPresent(lost::add);
        for (int i = 0; i < MOST_COUNTINGS && others.size() > 1; i++) {
            Optional<Geometry> geometry = vote(others);
            if (geometry.isEmpty()) {
                break;
            }
            Geometry g = geometry.get();
            List<First> agreeing = others.stream()
                    .filter(f -> g.clusterAt(f.place()) == f.cluster())
                    .toList();
            long count = Math.min(0x0ffffff5, (source.size() - g.dataStart()) / g.clusterBytes());
            BootSector counting = BootSector.ofClusters(g.dataStart(), g.clusterBytes(), (int) count, boot.fatBits());
            build(
                            source,
                            counting,
                            new Range(counting.start(), counting.lengthBytes()),
                            g,
                            free,
                            known,
                            agreeing,
                            entries,
                            null)
                    .ifPresent(lost::add);
            others.removeAll(agreeing);
        }
        return lost;
    }

    /** Folders where no volume is known: at least two that agree on how clusters are counted. */
    public static Optional<LostFolders> alone(Source source, List<Range> free, long[] folders, long[] entries)
            throws IOException {
        List<First> firsts = firsts(source, folders, 32);
        Optional<Geometry> geometry = vote(firsts);
        if (geometry.isEmpty()) {
            return Optional.empty();
        }
        Geometry g = geometry.get();
        List<First> agreeing = firsts.stream()
                .filter(f -> g.clusterAt(f.place()) == f.cluster())
                .toList();
        int count = (int) Math.min(0x0ffffff5, (source.size() - g.dataStart()) / g.clusterBytes());
        BootSector counting = BootSector.ofClusters(g.dataStart(), g.clusterBytes(), count, 32);
        return build(
                source,
                counting,
                new Range(counting.start(), counting.lengthBytes()),
                g,
                free,
                new RangeSet(),
                agreeing,
                entries,
                null);
    }

    private static Optional<LostFolders> build(
            Source source,
            BootSector clusters,
            Range place,
            Geometry g,
            List<Range> free,
            RangeSet known,
            List<First> firsts,
            long[] entries,
            @Nullable Instant made)
            throws IOException {
        TreeMap<Long, Long> byCluster = new TreeMap<>();
        firsts.stream()
                .filter(f -> clusters.isCluster(f.cluster()))
                .forEach(f -> byCluster.put(f.cluster(), f.parent()));
        TreeSet<Long> pieces = new TreeSet<>();
        for (long at : entries) {
            long cluster = g.clusterAt(at);
            if (clusters.isCluster(cluster) && !known.overlaps(new Range(at, 1))) {
                pieces.add(cluster);
            }
        }
        LostFolders lost = new LostFolders(source, clusters, place, free, byCluster, pieces, Origin.EARLIER);
        List<FileRecord> files = byCluster.isEmpty() && pieces.isEmpty()
                ? List.of()
                : lost.files(lost.space()).deleted();
        if (files.isEmpty()) {
            return Optional.empty();
        }
        // What was written after the volume was made is its own, deleted with the folders above.
        long younger = made == null
                ? 0
                : files.stream()
                        .filter(f -> f.written() != null && f.written().isAfter(made))
                        .count();
        return Optional.of(
                younger * 2 > files.size()
                        ? new LostFolders(source, clusters, place, free, byCluster, pieces, Origin.DELETED)
                        : lost);
    }

    private static List<First> firsts(Source source, long[] places, int fatBits) throws IOException {
        List<First> firsts = new ArrayList<>();
        byte[] b = new byte[64];
        for (long place : places) {
            if (place <= source.size() - b.length
                    && source.read(place, b, 0, b.length).isClean()) {
                firsts.add(new First(
                        place,
                        DirectoryEntry.parse(b, 0, fatBits, place).firstCluster(),
                        DirectoryEntry.parse(b, 32, fatBits, place).firstCluster()));
            }
        }
        return firsts;
    }

    /** The counting that most neighbours agree on; empty where no two do. */
    static Optional<Geometry> voteOf(Map<Long, Long> clusterByPlace) {
        List<First> firsts = new ArrayList<>();
        new TreeMap<>(clusterByPlace).forEach((place, cluster) -> firsts.add(new First(place, cluster, 0)));
        return vote(firsts);
    }

    private static Optional<Geometry> vote(List<First> firsts) {
        Map<Geometry, Integer> votes = new HashMap<>();
        for (int i = 0; i < firsts.size(); i++) {
            for (int j = i + 1; j < Math.min(firsts.size(), i + 8); j++) {
                long clusters = firsts.get(j).cluster() - firsts.get(i).cluster();
                long bytes = firsts.get(j).place() - firsts.get(i).place();
                if (clusters <= 0
                        || bytes % clusters != 0
                        || bytes / clusters < 512
                        || bytes / clusters > 256 << 10
                        || Long.bitCount(bytes / clusters) != 1) {
                    continue;
                }
                long start = firsts.get(i).place() - (firsts.get(i).cluster() - 2) * (bytes / clusters);
                if (start >= 0) {
                    votes.merge(new Geometry(start, (int) (bytes / clusters)), 1, Integer::sum);
                }
            }
        }
        return votes.entrySet().stream()
                .max(Map.Entry.<Geometry, Integer>comparingByValue()
                        .thenComparing(e -> e.getKey().dataStart())
                        .thenComparing(e -> e.getKey().clusterBytes()))
                .map(Map.Entry::getKey);
    }

    /** Whether they are deleted folders of the volume that they lie in; else they are of before it. */
    public boolean belongToTheVolume() {
        return origin == Origin.DELETED;
    }

    private Folders files(Space space) throws IOException {
        Folders reader = new Folders(source, boot, null, space, FindingSink.NONE);
        reader.walkLost(folders, pieces);
        return reader;
    }

    private Space space() {
        Space space = new Space(
                boot.dataStart(),
                boot.clusterBytes(),
                2,
                Math.min(boot.clusters(), Math.max(0, source.size() - boot.dataStart()) / boot.clusterBytes() + 1));
        space.useAllBut(free);
        return space;
    }

    @Override
    public VolumeFacts facts() {
        int found = folders.size();
        return new VolumeFacts(
                "fat" + boot.fatBits(),
                "",
                "",
                place,
                boot.clusterBytes(),
                null,
                true,
                List.of(Remark.grave(
                        (found == 1 ? "One of its folders was found" : found + " of its folders were found")
                                + "; its clusters of " + boot.clusterBytes() + " bytes begin at byte "
                                + boot.dataStart()
                                + ".")));
    }

    @Override
    public boolean stands() {
        return !folders.isEmpty();
    }

    @Override
    public List<Range> free() {
        return free;
    }

    @Override
    public Walked walk(Walk walk) throws IOException {
        Space space = space();
        Folders reader = files(space);
        new Judge(source, space, walk, false).gone(reader.deleted(), origin);
        return new Walked(free, reader.deletedPlaces());
    }
}
