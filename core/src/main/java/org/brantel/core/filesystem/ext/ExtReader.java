package org.brantel.core.filesystem.ext;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.filesystem.Problems;
import org.brantel.core.filesystem.Remark;
import org.brantel.core.filesystem.VolumeFacts;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.source.Source;

/** An ext2, ext3 or ext4 volume on a source. */
final class ExtReader implements FileSystem {

    private final Source source;
    private final Superblock sb;

    private ExtReader(Source source, Superblock sb) {
        this.source = source;
        this.sb = sb;
    }

    /**
     * @param room where the volume may lie: its partition, or the whole medium
     * @throws ParseFailure with field, place and value, when there is no ext volume
     */
    public static ExtReader open(Source source, Range room) throws IOException {
        return new ExtReader(source, Superblock.read(source, room));
    }

    /**
     * Opens a volume by a superblock, or a copy of one, wherever it begins.
     *
     * @throws ParseFailure when there is none, or the volume that it tells of would begin before the medium
     */
    public static ExtReader openByCopy(Source source, long at) throws IOException {
        return new ExtReader(source, Superblock.readByCopy(source, at));
    }

    @Override
    public VolumeFacts facts() {
        List<Remark> remarks = new ArrayList<>();
        if (sb.copyGroup() > 0) {
            remarks.add(
                    Remark.grave("Its first superblock is spoiled; the copy in group " + sb.copyGroup() + " is used."));
        }
        if ((sb.about().state() & 2) != 0) {
            remarks.add(Remark.grave("Whoever used it last noted errors in it."));
        }
        if (sb.needsRecovery()) {
            remarks.add(Remark.ofState(
                    "It was not closed cleanly; what its journal still holds is read as if it were in place."));
        }
        return new VolumeFacts(
                sb.family(),
                sb.about().label(),
                sb.about().identifier(),
                new Range(sb.start(), sb.lengthBytes()),
                sb.clusterBytes(),
                sb.about().made(),
                true,
                remarks);
    }

    @Override
    public boolean stands() throws IOException {
        Blocks blocks = new Blocks(source, sb);
        Inode root = new InodeTable(sb, blocks, new Groups(sb, blocks), new Problems(FindingSink.NONE, ""))
                .inode(Names.ROOT);
        return root != null && root.isFolder() && root.isLive();
    }

    @Override
    public List<Range> free() throws IOException {
        Blocks blocks = new Blocks(source, sb);
        return ExtSpace.read(blocks, new Groups(sb, blocks), new Problems(FindingSink.NONE, ""))
                .free(source.size());
    }

    @Override
    public Walked walk(Walk walk) throws IOException {
        Problems problems = new Problems(walk.sink(), "the volume at byte " + sb.start());
        problems.cutOff(new Range(sb.start(), sb.lengthBytes()), source.size());
        return new ExtWalk(source, sb, walk, problems).run();
    }
}
