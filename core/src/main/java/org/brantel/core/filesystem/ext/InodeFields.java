package org.brantel.core.filesystem.ext;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;

import java.util.List;
import org.brantel.core.filesystem.RecordFields;
import org.brantel.core.filesystem.RecordShape;

/** What the bytes of an {@link Inode} are, for people. */
final class InodeFields {

    private InodeFields() {}

    static final RecordShape SHAPE = RecordShape.fixed("Inode", 160, InodeFields::of);

    private static List<RecordFields.Field> of(byte[] b) {
        RecordFields s = new RecordFields(b);
        s.add(
                "mode",
                0,
                2,
                (u16(b, 0) >> 12 == 8 ? "file" : u16(b, 0) >> 12 == 4 ? "folder" : "other") + ", "
                        + Integer.toOctalString(u16(b, 0) & 07777));
        s.count("bytes, lower half", 4, 4)
                .seconds("accessed", 8)
                .seconds("inode changed", 12)
                .seconds("content changed", 16)
                .seconds("deleted", 20)
                .count("names", 26, 2)
                .flags("flags", 32, 4)
                .count("generation", 100, 4)
                .count("bytes, upper half", 108, 4);
        boolean extents = (u32(b, 32) & 0x80000) != 0;
        if (extents) {
            s.count("extents: entries", 42, 2).count("extents: depth", 46, 2);
            for (int i = 0; i < Math.min(4, u16(b, 42)) && u16(b, 46) == 0; i++) {
                int at = 52 + i * 12;
                s.add(
                        "extent " + (i + 1),
                        at,
                        12,
                        u16(b, at + 4) % 32768 + " blocks at block " + (u32(b, at + 8) | (long) u16(b, at + 6) << 32)
                                + ", from block " + u32(b, at) + " of the file");
            }
        } else {
            s.add("blocks", 40, 48, "the first 12 of them")
                    .count("block of blocks", 88, 4)
                    .count("block of those", 92, 4)
                    .count("block of those", 96, 4);
        }
        return s.seconds("created", 144).fields();
    }
}
