package org.brantel.core.filesystem.exfat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extents;
import org.brantel.core.content.FileContent;
import org.brantel.core.filesystem.Bitmaps;
import org.brantel.core.filesystem.FileRecord;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.filesystem.Judge;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.filesystem.Problems;
import org.brantel.core.filesystem.Remark;
import org.brantel.core.filesystem.Space;
import org.brantel.core.filesystem.VolumeFacts;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.finding.Origin;
import org.brantel.core.source.Source;

/** An exFAT volume on a source. */
final class ExfatReader implements FileSystem {

    /** The sector in which a copy of the boot sector stands. */
    public static final int COPY_SECTOR = BootSector.COPY_SECTOR;

    private final Source source;
    private final BootSector boot;

    private ExfatReader(Source source, BootSector boot) {
        this.source = source;
        this.boot = boot;
    }

    /**
     * @param room where the volume may lie: its partition, or the whole medium
     * @throws ParseFailure with field, place and value, when there is no exFAT volume
     */
    public static ExfatReader open(Source source, Range room) throws IOException {
        return new ExfatReader(source, BootSector.read(source, room));
    }

    @Override
    public VolumeFacts facts() {
        List<Remark> remarks = new ArrayList<>();
        String label = "";
        try {
            label = head().label();
        } catch (IOException e) {
            remarks.add(Remark.grave("Its label was not read."));
        }
        if ((boot.flags() & 2) != 0) {
            remarks.add(Remark.ofState("It is marked as not closed cleanly."));
        }
        if ((boot.flags() & 4) != 0) {
            remarks.add(Remark.grave("Whoever used it last noted failures of the medium."));
        }
        String serial = String.format("%04X-%04X", boot.serial() >> 16, boot.serial() & 0xffff);
        return new VolumeFacts(
                "exfat",
                label,
                serial,
                new Range(boot.start(), boot.lengthBytes()),
                boot.clusterBytes(),
                null,
                true,
                remarks);
    }

    BootSector boot() {
        return boot;
    }

    private Folders head() throws IOException {
        Folders folders = new Folders(source, boot, new ExfatTable(source, boot), new Problems(FindingSink.NONE, ""));
        folders.root();
        return folders;
    }

    @Override
    public boolean stands() throws IOException {
        return !head().bitmap().isEmpty();
    }

    @Override
    public List<Range> free() throws IOException {
        return space(new Problems(FindingSink.NONE, "")).free(source.size());
    }

    @Override
    public Walked walk(Walk walk) throws IOException {
        Problems problems = new Problems(walk.sink(), "the volume at byte " + boot.start());
        problems.cutOff(new Range(boot.start(), boot.lengthBytes()), source.size());
        source.willNeed(List.of(new Range(boot.tableAt(), boot.tableBytes())));
        ExfatTable table = new ExfatTable(source, boot);
        Space space = space(problems);
        Folders folders = new Folders(source, boot, table, problems);
        folders.walk(space);
        Judge judge = new Judge(source, space, walk, true);
        folders.live().forEach(judge::claim);
        for (FileRecord file : folders.live()) {
            if (walk.stopped()) {
                return Walked.of(List.of());
            }
            judge.live(file);
        }
        judge.gone(folders.deleted(), Origin.DELETED);
        return new Walked(space.free(source.size()), folders.deletedPlaces());
    }

    private Space space(Problems problems) throws IOException {
        long onMedium = Math.max(0, source.size() - boot.clustersAt()) / boot.clusterBytes() + 1;
        Space space = new Space(boot.clustersAt(), boot.clusterBytes(), 2, Math.min(boot.clusters(), onMedium));
        Folders head = new Folders(source, boot, new ExfatTable(source, boot), new Problems(FindingSink.NONE, ""));
        head.root();
        Bitmaps.use(new FileContent(source, head.bitmap(), Extents.length(head.bitmap()), null), space, 2);
        if (space.unknownClusters() > 0) {
            problems.add("The allocation of " + space.unknownClusters() + " of " + space.count()
                    + " clusters is unknown: their bitmap was not read.");
        }
        return space;
    }
}
