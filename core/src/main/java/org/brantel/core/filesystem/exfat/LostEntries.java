package org.brantel.core.filesystem.exfat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.filesystem.FileRecord;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.filesystem.Judge;
import org.brantel.core.filesystem.Problems;
import org.brantel.core.filesystem.Remark;
import org.brantel.core.filesystem.Space;
import org.brantel.core.filesystem.VolumeFacts;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.finding.Origin;
import org.brantel.core.source.Source;

/**
 * Clusters of folders in a volume's free space that no folder leads to any more: of before a format, or deleted with
 * what was above them.
 */
final class LostEntries implements FileSystem {

    private final Source source;
    private final BootSector boot;
    private final List<Range> free;
    private final TreeSet<Long> clusters;

    private LostEntries(Source source, BootSector boot, List<Range> free, TreeSet<Long> clusters) {
        this.source = source;
        this.boot = boot;
        this.free = free;
        this.clusters = clusters;
    }

    /**
     * @param over   the volume in whose free space they lie
     * @param known  folders that were read already
     * @param places where entries stand
     * @return empty when no whole set of entries is among them
     */
    public static Optional<LostEntries> in(
            Source source, ExfatReader over, List<Range> free, RangeSet known, long[] places) throws IOException {
        BootSector boot = over.boot();
        TreeSet<Long> clusters = new TreeSet<>();
        for (long place : places) {
            long cluster = Math.floorDiv(place - boot.clustersAt(), (long) boot.clusterBytes()) + 2;
            if (cluster >= 2 && cluster - 2 < boot.clusters() && !known.overlaps(new Range(place, 1))) {
                clusters.add(cluster);
            }
        }
        LostEntries lost = new LostEntries(source, boot, free, clusters);
        return clusters.isEmpty() || lost.files(lost.space()).isEmpty() ? Optional.empty() : Optional.of(lost);
    }

    private Space space() {
        long onMedium = Math.max(0, source.size() - boot.clustersAt()) / boot.clusterBytes() + 1;
        Space space = new Space(boot.clustersAt(), boot.clusterBytes(), 2, Math.min(boot.clusters(), onMedium));
        space.useAllBut(free);
        return space;
    }

    private List<FileRecord> files(Space space) throws IOException {
        Folders folders = new Folders(source, boot, new ExfatTable(source, boot), new Problems(FindingSink.NONE, ""));
        folders.walkLost(clusters, space);
        return new ArrayList<>(folders.deleted());
    }

    @Override
    public VolumeFacts facts() {
        return new VolumeFacts(
                "exfat",
                "",
                "",
                new Range(boot.start(), boot.lengthBytes()),
                boot.clusterBytes(),
                null,
                true,
                List.of(Remark.grave(clusters.size() + " clusters of its folders are left, the first at byte "
                        + boot.offset(clusters.first()) + ".")));
    }

    @Override
    public boolean stands() {
        return !clusters.isEmpty();
    }

    @Override
    public List<Range> free() {
        return free;
    }

    @Override
    public Walked walk(Walk walk) throws IOException {
        Space space = space();
        new Judge(source, space, walk, false).gone(files(space), Origin.EARLIER);
        return Walked.of(free);
    }
}
