package org.brantel.core.filesystem.ext;

import java.util.List;
import org.brantel.core.bytes.Slot;
import org.brantel.core.filesystem.RecordFields;
import org.brantel.core.filesystem.RecordShape;

/** What the bytes of an {@link Inode} are, for people. */
final class InodeFields {

    private InodeFields() {}

    static final RecordShape SHAPE = RecordShape.fixed("Inode", 160, InodeFields::of);

    private static List<RecordFields.Field> of(byte[] b) {
        RecordFields s = new RecordFields(b);
        int mode = Inode.MODE.intIn(b, 0);
        s.add(
                "mode",
                Inode.MODE,
                (mode >> 12 == 8 ? "file" : mode >> 12 == 4 ? "folder" : "other") + ", "
                        + Integer.toOctalString(mode & 07777));
        s.count("bytes, lower half", Inode.BYTES_LOWER)
                .seconds("accessed", Inode.ACCESSED)
                .seconds("inode changed", Inode.INODE_CHANGED)
                .seconds("content changed", Inode.MODIFIED)
                .seconds("deleted", Inode.DELETED)
                .count("names", Inode.NAMES)
                .flags("flags", Inode.FLAGS)
                .count("generation", Inode.GENERATION)
                .count("bytes, upper half", Inode.BYTES_UPPER);
        boolean extents = (Inode.FLAGS.in(b, 0) & Inode.EXTENTS) != 0;
        if (extents) {
            Slot depth = BlockTree.DEPTH.from(Inode.MAP_AT);
            Slot entries = BlockTree.ENTRIES.from(Inode.MAP_AT);
            s.count("extents: entries", entries).count("extents: depth", depth);
            for (int i = 0; i < Math.min(4, entries.in(b, 0)) && depth.in(b, 0) == 0; i++) {
                int at = Inode.MAP_AT + BlockTree.ENTRY * (i + 1);
                s.add(
                        "extent " + (i + 1),
                        new Slot(at, BlockTree.ENTRY),
                        BlockTree.BLOCKS.in(b, at) % BlockTree.MOST_WRITTEN + " blocks at block "
                                + (BlockTree.BLOCK_LOWER.in(b, at) | BlockTree.BLOCK_UPPER.in(b, at) << 32)
                                + ", from block " + BlockTree.FIRST_IN_FILE.in(b, at) + " of the file");
            }
        } else {
            Slot direct = new Slot(Inode.MAP_AT, BlockTree.DIRECT * 4);
            s.add("blocks", direct, "the first 12 of them")
                    .count("block of blocks", new Slot(direct.end(), 4))
                    .count("block of those", new Slot(direct.end() + 4, 4))
                    .count("block of those", new Slot(direct.end() + 8, 4));
        }
        return s.seconds("created", Inode.CREATED).fields();
    }
}
