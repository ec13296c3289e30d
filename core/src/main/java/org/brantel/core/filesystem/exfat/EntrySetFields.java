package org.brantel.core.filesystem.exfat;

import static org.brantel.core.bytes.LittleEndian.u8;

import java.util.List;
import org.brantel.core.bytes.Slot;
import org.brantel.core.filesystem.RecordFields;
import org.brantel.core.filesystem.RecordShape;

/** What the bytes of an {@link EntrySet} are, for people. */
final class EntrySetFields {

    private EntrySetFields() {}

    static final RecordShape SHAPE = new RecordShape(
            "Entries in its folder",
            EntrySet.SIZE * EntrySet.MOST,
            b -> Math.min(b.length, (EntrySet.FOLLOWING.intIn(b, 0) + 1) * EntrySet.SIZE),
            EntrySetFields::of);

    private static List<RecordFields.Field> of(byte[] b) {
        RecordFields s = new RecordFields(b);
        s.add("type", new Slot(0, 1), (u8(b, 0) & EntrySet.IN_USE) != 0 ? "file, in use" : "file, deleted");
        s.count("entries that follow", EntrySet.FOLLOWING)
                .flags("checksum", EntrySet.CHECKSUM)
                .flags("attributes", EntrySet.ATTRIBUTES, "read-only", "hidden", "system", "", "folder", "archive")
                .dosTime("created", EntrySet.CREATED)
                .dosTime("changed", EntrySet.MODIFIED)
                .dosTime("accessed", EntrySet.ACCESSED);
        int stream = EntrySet.SIZE;
        if (s.fits(new Slot(stream, EntrySet.SIZE))) {
            s.flags("stream: flags", EntrySet.STREAM_FLAGS.from(stream), "has clusters", "in one piece")
                    .count("characters of the name", EntrySet.CHARACTERS.from(stream))
                    .count("bytes written", EntrySet.WRITTEN.from(stream))
                    .count("first cluster", EntrySet.FIRST_CLUSTER.from(stream))
                    .count("bytes", EntrySet.BYTES.from(stream));
        }
        for (int at = 2 * EntrySet.SIZE;
                at + EntrySet.SIZE <= b.length && (u8(b, at) & ~EntrySet.IN_USE) == (EntrySet.NAME & ~EntrySet.IN_USE);
                at += EntrySet.SIZE) {
            s.wide("name", EntrySet.NAME_PART.from(at));
        }
        return s.fields();
    }
}
