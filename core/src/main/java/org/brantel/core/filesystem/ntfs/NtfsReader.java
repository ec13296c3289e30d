package org.brantel.core.filesystem.ntfs;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.content.FileContent;
import org.brantel.core.filesystem.Bitmaps;
import org.brantel.core.filesystem.Damaged;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.filesystem.Problems;
import org.brantel.core.filesystem.Remark;
import org.brantel.core.filesystem.Space;
import org.brantel.core.filesystem.VolumeFacts;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.source.Source;

/** An NTFS volume on a source. */
final class NtfsReader implements FileSystem {

    private static final int VOLUME = 3;
    private static final int BITMAP = 6;

    private final Source source;
    private final BootSector boot;

    private NtfsReader(Source source, BootSector boot) {
        this.source = source;
        this.boot = boot;
    }

    /**
     * @param room where the volume may lie: its partition, or the whole medium
     * @throws ParseFailure with field, place and value, when there is no NTFS volume
     */
    public static NtfsReader open(Source source, Range room) throws IOException {
        return new NtfsReader(source, BootSector.read(source, room));
    }

    /**
     * Opens a volume by the copy of its boot sector, which stands behind its last sector.
     *
     * @throws ParseFailure when the sector is none, or the volume that it tells of would begin before the medium
     */
    public static NtfsReader openByCopy(Source source, long copyAt) throws IOException {
        BootSector there = BootSector.read(source, copyAt, 0, source.size());
        long start = copyAt - there.sectors() * there.bytesPerSector();
        Damaged.unless(
                start >= 0,
                "a copy of an NTFS boot sector",
                "sectors",
                copyAt + 40,
                there.sectors(),
                "not more than lie before it");
        return new NtfsReader(source, BootSector.read(source, copyAt, start, source.size() - start));
    }

    /** Volumes that lost their boot sector and its copy, from the first records of their file tables. */
    public static List<NtfsReader> rebuilt(Source source, long[] records) throws IOException {
        return Rebuilt.from(source, records).stream()
                .map(boot -> new NtfsReader(source, boot))
                .toList();
    }

    @Override
    public boolean stands() throws IOException {
        MasterFileTable table = MasterFileTable.open(source, boot, new Problems(FindingSink.NONE, ""));
        return table.record(0).isPresent() || table.record(VOLUME).isPresent();
    }

    @Override
    public VolumeFacts facts() {
        String label = "";
        Instant made = null;
        List<Remark> remarks = new ArrayList<>();
        try {
            MasterFileTable table = MasterFileTable.open(source, boot, new Problems(FindingSink.NONE, ""));
            Optional<MftRecord> volume = table.record(VOLUME);
            label = volume.flatMap(r -> r.first(Attribute.VOLUME_NAME)
                            .filter(Attribute::resident)
                            .map(a -> new String(r.bytes(), a.valueAt(), (int) a.size(), StandardCharsets.UTF_16LE)))
                    .orElse("");
            boolean dirty = volume.flatMap(r -> r.first(Attribute.VOLUME_INFORMATION)
                            .filter(a -> a.resident() && a.size() >= 12)
                            .map(a -> (r.bytes()[a.valueAt() + 10] & 1) != 0))
                    .orElse(false);
            if (dirty) {
                remarks.add(Remark.ofState("It is marked as not closed cleanly."));
            }
            made = table.record(0)
                    .flatMap(RecordFiles::nameOf)
                    .map(n -> n.times().created())
                    .orElse(null);
        } catch (IOException e) {
            remarks.add(Remark.grave("Its label was not read."));
        }
        return new VolumeFacts(
                "ntfs",
                label,
                String.format("%016X", boot.serial()),
                new Range(boot.start(), boot.lengthBytes()),
                boot.clusterBytes(),
                made,
                true,
                remarks);
    }

    @Override
    public List<Range> free() throws IOException {
        Problems none = new Problems(FindingSink.NONE, "");
        return space(MasterFileTable.open(source, boot, none), none).free(source.size());
    }

    @Override
    public Walked walk(Walk walk) throws IOException {
        Problems problems = new Problems(walk.sink(), "the volume at byte " + boot.start());
        problems.cutOff(new Range(boot.start(), boot.lengthBytes() - boot.bytesPerSector()), source.size());
        MasterFileTable table = MasterFileTable.open(source, boot, problems);
        Space space = space(table, problems);
        return new NtfsWalk(table, space, walk, problems).run();
    }

    private Space space(MasterFileTable table, Problems problems) throws IOException {
        long onMedium = (source.size() - boot.start()) / boot.clusterBytes() + 1;
        Space space = new Space(boot.start(), boot.clusterBytes(), 0, Math.min(boot.clusters(), onMedium));
        Optional<MftRecord> record = table.record(BITMAP);
        List<Extent> extents = record.isEmpty() ? List.of() : new AttributeList(table).dataOf(record.get(), "");
        FileContent bitmap =
                new FileContent(source, extents, Math.min(Extents.length(extents), space.count() / 8 + 1), null);
        Bitmaps.use(bitmap, space, 0);
        if (space.unknownClusters() > 0) {
            problems.add("The allocation of " + space.unknownClusters() + " of " + space.count()
                    + " clusters is unknown: their bitmap was not read.");
        }
        return space;
    }

    BootSector boot() {
        return boot;
    }
}
