package org.brantel.core.filesystem.fat;

import static org.brantel.core.bytes.LittleEndian.u8;

import java.util.List;
import org.brantel.core.filesystem.RecordFields;
import org.brantel.core.filesystem.RecordShape;

/** What the bytes of a {@link DirectoryEntry} are, for people. */
final class EntryFields {

    private EntryFields() {}

    static RecordShape shape(boolean wide) {
        return RecordShape.fixed("Entry in its folder", 32, b -> of(b, wide));
    }

    private static List<RecordFields.Field> of(byte[] b, boolean wide) {
        RecordFields s = new RecordFields(b);
        boolean deleted = u8(b, 0) == 0xe5;
        s.text(deleted ? "name, first letter replaced by the mark of a deleted entry" : "name", 0, 11);
        s.flags("attributes", 11, 1, "read-only", "hidden", "system", "label", "folder", "archive");
        s.dosTime("created", 14, 4).dosTime("accessed", 18, 2);
        if (wide) {
            s.count("first cluster, upper half", 20, 2);
        }
        return s.dosTime("changed", 22, 4)
                .count("first cluster", 26, 2)
                .count("bytes", 28, 4)
                .fields();
    }
}
