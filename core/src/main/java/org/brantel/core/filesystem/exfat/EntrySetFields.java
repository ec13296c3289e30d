package org.brantel.core.filesystem.exfat;

import static org.brantel.core.bytes.LittleEndian.u8;

import java.util.List;
import org.brantel.core.filesystem.RecordFields;
import org.brantel.core.filesystem.RecordShape;

/** What the bytes of an {@link EntrySet} are, for people. */
final class EntrySetFields {

    private EntrySetFields() {}

    static final RecordShape SHAPE = new RecordShape(
            "Entries in its folder", 32 * 19, b -> Math.min(b.length, (u8(b, 1) + 1) * 32), EntrySetFields::of);

    private static List<RecordFields.Field> of(byte[] b) {
        RecordFields s = new RecordFields(b);
        s.add("type", 0, 1, (u8(b, 0) & 0x80) != 0 ? "file, in use" : "file, deleted");
        s.count("entries that follow", 1, 1)
                .flags("checksum", 2, 2)
                .flags("attributes", 4, 2, "read-only", "hidden", "system", "", "folder", "archive");
        s.dosTime("created", 8, 4).dosTime("changed", 12, 4).dosTime("accessed", 16, 4);
        if (s.fits(32, 32)) {
            s.flags("stream: flags", 33, 1, "has clusters", "in one piece")
                    .count("characters of the name", 35, 1)
                    .count("bytes written", 40, 8)
                    .count("first cluster", 52, 4)
                    .count("bytes", 56, 8);
        }
        for (int at = 64; at + 32 <= b.length && (u8(b, at) & 0x7f) == 0x41; at += 32) {
            s.wide("name", at + 2, 30);
        }
        return s.fields();
    }
}
