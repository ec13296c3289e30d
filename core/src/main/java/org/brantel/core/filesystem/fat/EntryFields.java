package org.brantel.core.filesystem.fat;

import static org.brantel.core.bytes.LittleEndian.u8;

import java.util.List;
import org.brantel.core.filesystem.RecordFields;
import org.brantel.core.filesystem.RecordShape;

/** What the bytes of a {@link DirectoryEntry} are, for people. */
final class EntryFields {

    private EntryFields() {}

    static RecordShape shape(boolean wide) {
        return RecordShape.fixed("Entry in its folder", DirectoryEntry.SIZE, b -> of(b, wide));
    }

    private static List<RecordFields.Field> of(byte[] b, boolean wide) {
        RecordFields s = new RecordFields(b);
        boolean deleted = u8(b, 0) == DirectoryEntry.DELETED;
        s.text(deleted ? "name, first letter replaced by the mark of a deleted entry" : "name", DirectoryEntry.NAME);
        s.flags("attributes", DirectoryEntry.ATTRIBUTES, "read-only", "hidden", "system", "label", "folder", "archive");
        s.dosTime("created", DirectoryEntry.CREATED).dosTime("accessed", DirectoryEntry.ACCESSED);
        if (wide) {
            s.count("first cluster, upper half", DirectoryEntry.CLUSTER_UPPER);
        }
        return s.dosTime("changed", DirectoryEntry.MODIFIED)
                .count("first cluster", DirectoryEntry.CLUSTER_LOWER)
                .count("bytes", DirectoryEntry.BYTES)
                .fields();
    }
}
