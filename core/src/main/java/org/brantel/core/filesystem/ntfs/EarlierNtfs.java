package org.brantel.core.filesystem.ntfs;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extent;
import org.brantel.core.filesystem.FileRecord;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.Judge;
import org.brantel.core.filesystem.Remark;
import org.brantel.core.filesystem.Space;
import org.brantel.core.filesystem.VolumeFacts;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.finding.Origin;
import org.brantel.core.source.Source;

/**
 * Records of a file table that no volume has any more, found in the free space of the one that was made over it. They
 * count clusters from the same place in the same size: a format does not move a volume's start.
 */
final class EarlierNtfs implements FileSystem, Records {

    private static final int FIRST_USER = 16;
    private static final int VOLUME = 3;

    private final Source source;
    private final BootSector boot;
    private final List<Range> free;
    private final Map<Long, List<MftRecord>> byNumber = new HashMap<>();
    private final List<MftRecord> all = new ArrayList<>();
    private final long first;

    private EarlierNtfs(Source source, BootSector boot, List<Range> free, long[] places) throws IOException {
        this.source = source;
        this.boot = boot;
        this.free = free;
        this.first = places[0];
        byte[] block = new byte[boot.recordBytes()];
        for (long place : places) {
            if (place <= source.size() - block.length
                    && source.read(place, block, 0, block.length).isClean()) {
                MftRecord.parse(block, 0, boot, boot.clusters(), -1, place).ifPresent(r -> {
                    all.add(r);
                    byNumber.computeIfAbsent(r.number(), n -> new ArrayList<>(1))
                            .add(r);
                });
            }
        }
    }

    /**
     * @param over   the volume that was made over it
     * @param free   that volume's free space
     * @param places where records stand
     * @return empty when none of them is a sound record of a file or folder
     */
    public static Optional<EarlierNtfs> in(Source source, NtfsReader over, List<Range> free, long[] places)
            throws IOException {
        if (places.length == 0) {
            return Optional.empty();
        }
        EarlierNtfs earlier = new EarlierNtfs(source, over.boot(), free, places);
        boolean any = earlier.all.stream()
                .anyMatch(r -> r.base() == 0
                        && r.number() >= FIRST_USER
                        && RecordFiles.nameOf(r).isPresent());
        return any ? Optional.of(earlier) : Optional.empty();
    }

    @Override
    public Source source() {
        return source;
    }

    @Override
    public BootSector boot() {
        return boot;
    }

    @Override
    public Optional<MftRecord> record(long number) {
        return byNumber.getOrDefault(number, List.of()).stream().findFirst();
    }

    @Override
    public List<Extent> place(MftRecord record, int from, int length) {
        return List.of(new Extent(record.placed() + from, length));
    }

    @Override
    public VolumeFacts facts() {
        String label = record(VOLUME)
                .flatMap(r -> r.first(Attribute.VOLUME_NAME)
                        .filter(Attribute::resident)
                        .map(a -> new String(r.bytes(), a.valueAt(), (int) a.size(), StandardCharsets.UTF_16LE)))
                .orElse("");
        Instant made = record(0)
                .flatMap(RecordFiles::nameOf)
                .map(n -> n.times().created())
                .orElse(null);
        return new VolumeFacts(
                "ntfs",
                label,
                "",
                new Range(boot.start(), boot.lengthBytes()),
                boot.clusterBytes(),
                made,
                true,
                List.of(Remark.grave(
                        all.size() + " records of its file table are left, the first at byte " + first + ".")));
    }

    @Override
    public boolean stands() {
        return !all.isEmpty();
    }

    @Override
    public List<Range> free() {
        return free;
    }

    @Override
    public Walked walk(Walk walk) throws IOException {
        long onMedium = (source.size() - boot.start()) / boot.clusterBytes() + 1;
        Space space = new Space(boot.start(), boot.clusterBytes(), 0, Math.min(boot.clusters(), onMedium));
        space.useAllBut(free);
        Folders folders = new Folders();
        for (MftRecord r : all) {
            if (r.base() == 0 && r.folder()) {
                RecordFiles.nameOf(r).ifPresent(n -> folders.add(r.number(), r.sequence(), r.inUse(), n));
            }
        }
        List<FileRecord> files = new ArrayList<>();
        RecordFiles reader = new RecordFiles(this, folders);
        for (MftRecord r : all) {
            if (r.base() == 0 && r.number() >= FIRST_USER) {
                reader.of(r, null).forEach(named -> files.add(named.file()));
            }
        }
        new Judge(source, space, walk, false).gone(files, Origin.EARLIER);
        return Walked.of(free);
    }
}
