package org.brantel.core.filesystem.fat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.source.Range;
import org.brantel.core.source.Source;
import org.brantel.core.volume.Volume;

/** A FAT volume on a source: what it is, what it lists, what it deleted, what it has free. */
public final class FatReader {

    private final Source source;
    private final BootSector boot;

    private FatReader(Source source, BootSector boot) {
        this.source = source;
        this.boot = boot;
    }

    /**
     * @param room where the volume may lie: its partition, or the whole medium
     * @throws NotFatException with field, place and value, when there is no FAT volume
     */
    public static FatReader open(Source source, Range room) throws IOException {
        return new FatReader(source, BootSector.read(source, room.offset(), room.length()));
    }

    public Volume describe(int index, String foundBy) {
        return new Volume(index, "fat" + boot.fatBits(), boot.label(), boot.start(), boot.lengthBytes(),
                boot.clusterBytes(), "live", foundBy);
    }

    /** Live and deleted files, to the sink. @return the volume's free space */
    public List<Range> walk(int volumeIndex, FindingSink sink) throws IOException {
        if (boot.lengthBytes() > source.size() - boot.start()) {
            sink.problem("The volume at byte " + boot.start() + " claims " + boot.lengthBytes()
                    + " bytes; the medium has " + (source.size() - boot.start()) + " from there.");
        }
        AllocationTable table = AllocationTable.load(source, boot, sink);
        Folders folders = new Folders(source, boot, table, sink);
        folders.walk();
        Judge judge = new Judge(source, boot, table, volumeIndex);
        for (Folders.FileRecord file : folders.live()) {
            judge.claim(file);
        }
        for (Folders.FileRecord file : folders.live()) {
            sink.found(judge.live(file));
        }
        new DeletedFiles(judge, boot, table).judgeAll(folders.deleted(), sink);
        return table.freeSpace().stream().map(this::onMedium).filter(r -> !r.isEmpty()).toList();
    }

    private Range onMedium(Range range) {
        return range.intersection(new Range(0, source.size()));
    }

    /** Consecutive clusters as ranges, cut to a file's size. */
    static List<Range> ranges(BootSector boot, List<Long> clusters, long size) {
        List<Range> ranges = new ArrayList<>();
        long left = size;
        for (int i = 0; i < clusters.size() && left > 0; ) {
            int j = i + 1;
            while (j < clusters.size() && clusters.get(j) == clusters.get(j - 1) + 1) {
                j++;
            }
            long length = Math.min(left, (long) (j - i) * boot.clusterBytes());
            ranges.add(new Range(boot.cluster(clusters.get(i)).offset(), length));
            left -= length;
            i = j;
        }
        return ranges;
    }
}
