package org.brantel.core.filesystem.fat;

import java.io.IOException;
import java.util.List;
import org.brantel.core.filesystem.FileRecord;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.Judge;
import org.brantel.core.filesystem.NotThisFormat;
import org.brantel.core.filesystem.VolumeFacts;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.finding.Origin;
import org.brantel.core.source.ByteView;
import org.brantel.core.source.Range;
import org.brantel.core.source.Source;

/** A FAT volume on a source. */
public final class FatReader implements FileSystem {

    private final Source source;
    private final BootSector boot;

    private FatReader(Source source, BootSector boot) {
        this.source = source;
        this.boot = boot;
    }

    /**
     * @param room where the volume may lie: its partition, or the whole medium
     * @throws NotThisFormat with field, place and value, when there is no FAT volume
     */
    public static FatReader open(Source source, Range room) throws IOException {
        return new FatReader(source, BootSector.read(source, room.offset(), room.length()));
    }

    @Override
    public VolumeFacts facts() {
        return new VolumeFacts("fat" + boot.fatBits(), boot.label(), boot.serial(), new Range(boot.start(), boot.lengthBytes()),
                boot.clusterBytes(), null, true, List.of());
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
                    continue;
                }
            }
        }
        return false;
    }

    @Override
    public List<Range> walk(Walk walk) throws IOException {
        if (boot.lengthBytes() > source.size() - boot.start()) {
            walk.sink().problem("The volume at byte " + boot.start() + " claims " + boot.lengthBytes()
                    + " bytes; the medium has " + (source.size() - boot.start()) + " from there.");
        }
        AllocationTable table = AllocationTable.load(source, boot, walk.sink());
        Folders folders = new Folders(source, boot, table, walk.sink());
        folders.walk();
        Judge judge = new Judge(source, table.space(), walk, true);
        for (FileRecord file : folders.live()) {
            judge.claim(file);
        }
        for (FileRecord file : folders.live()) {
            if (walk.stopped()) {
                return List.of();
            }
            judge.live(file);
        }
        judge.gone(folders.deleted(), Origin.DELETED);
        return table.space().free(source.size());
    }
}
