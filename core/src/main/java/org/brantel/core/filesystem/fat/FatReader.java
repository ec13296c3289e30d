package org.brantel.core.filesystem.fat;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.FileRecord;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.filesystem.Judge;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.filesystem.Problems;
import org.brantel.core.filesystem.Remark;
import org.brantel.core.filesystem.VolumeFacts;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.finding.Origin;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/** A FAT volume on a source. */
final class FatReader implements FileSystem {

    /** The sector in which a copy of the boot sector stands. */
    public static final int COPY_SECTOR = BootSector.COPY_SECTOR;

    private final Source source;
    private final BootSector boot;
    private final List<Remark> remarks;

    private FatReader(Source source, BootSector boot, List<Remark> remarks) {
        this.source = source;
        this.boot = boot;
        this.remarks = remarks;
    }

    /**
     * @param room where the volume may lie: its partition, or the whole medium
     * @throws ParseFailure with field, place and value, when there is no FAT volume
     */
    public static FatReader open(Source source, Range room) throws IOException {
        try {
            return new FatReader(source, BootSector.read(source, room.offset(), room.length()), List.of());
        } catch (ParseFailure | ByteView.Unread e) {
            Optional<BootSector> copy = BootSector.copyFor(source, room);
            if (copy.isEmpty()) {
                throw e;
            }
            return new FatReader(
                    source,
                    copy.get(),
                    List.of(Remark.grave(
                            "Its boot sector is spoiled; the copy in sector " + BootSector.COPY_SECTOR + " is used.")));
        }
    }

    @Override
    public VolumeFacts facts() {
        return new VolumeFacts(
                "fat" + boot.fatBits(),
                boot.label(),
                boot.serial(),
                new Range(boot.start(), boot.lengthBytes()),
                boot.clusterBytes(),
                made(),
                true,
                remarks);
    }

    private @Nullable Instant made() {
        try {
            AllocationTable table = AllocationTable.load(source, boot, FindingSink.NONE);
            Folders folders = new Folders(source, boot, table, table.space(), FindingSink.NONE);
            folders.root();
            return folders.made();
        } catch (IOException e) {
            return null;
        }
    }

    /**
     * A volume whose boot sector is gone, from its tables and folders.
     *
     * @param gaps    where no volume is known
     * @param folders places where folders begin, ascending
     * @return empty where they do not lead to tables
     */
    public static Optional<FatReader> rebuilt(Source source, List<Range> gaps, long[] folders) throws IOException {
        return Rebuilt.from(source, gaps, folders)
                .map(boot -> new FatReader(
                        source,
                        boot,
                        List.of(Remark.grave("Its boot sector is gone; its tables at byte " + boot.start()
                                + " and its folders say how it was laid out."))));
    }

    BootSector boot() {
        return boot;
    }

    /** The table begins with the medium's own byte and nothing but ones (FAT32S "FAT Data Structure"). */
    @Override
    public boolean stands() throws IOException {
        for (int i = 0; i < boot.tables(); i++) {
            long at = boot.tableStart(i);
            if (at <= source.size() - 4) {
                try {
                    ByteView v = ByteView.of(source, new Range(at, 4));
                    // FAT12 has 0xFFF in the first 12 bits of what follows, the wider ones at least 16 ones.
                    if (v.u8(0) >= 0xf0 && v.u8(1) == 0xff && v.u8(2) >= 0x0f) {
                        return true;
                    }
                } catch (ByteView.Unread e) {
                    // The next one may be readable.
                }
            }
        }
        return false;
    }

    @Override
    public List<Range> free() throws IOException {
        return AllocationTable.load(source, boot, FindingSink.NONE).space().free(source.size());
    }

    @Override
    public Walked walk(Walk walk) throws IOException {
        new Problems(walk.sink(), "the volume").cutOff(new Range(boot.start(), boot.lengthBytes()), source.size());
        AllocationTable table = AllocationTable.load(source, boot, walk.sink());
        Folders folders = new Folders(source, boot, table, table.space(), walk.sink());
        folders.walk();
        Judge judge = new Judge(source, table.space(), walk, true);
        for (FileRecord file : folders.live()) {
            judge.claim(file);
        }
        for (FileRecord file : folders.live()) {
            if (walk.stopped()) {
                return Walked.of(List.of());
            }
            judge.live(file);
        }
        judge.gone(folders.deleted(), Origin.DELETED);
        return new Walked(table.space().free(source.size()), folders.deletedPlaces());
    }
}
