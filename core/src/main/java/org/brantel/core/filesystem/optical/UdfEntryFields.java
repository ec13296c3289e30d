package org.brantel.core.filesystem.optical;

import static org.brantel.core.bytes.LittleEndian.u16;

import java.util.List;
import org.brantel.core.bytes.Slot;
import org.brantel.core.filesystem.RecordFields;
import org.brantel.core.filesystem.RecordShape;

/** What the bytes of a {@link UdfEntry} are, for people. */
final class UdfEntryFields {

    private UdfEntryFields() {}

    static final RecordShape SHAPE = RecordShape.fixed("File entry", UdfEntry.EXTENDED_HEAD, UdfEntryFields::of);

    private static List<RecordFields.Field> of(byte[] b) {
        RecordFields s = new RecordFields(b);
        boolean extended = u16(b, 0) == UdfTag.EXTENDED_FILE_ENTRY;
        int head = extended ? UdfEntry.EXTENDED_HEAD : UdfEntry.HEAD;
        s.add("tag", new Slot(0, 16), extended ? "extended file entry" : "file entry")
                .count("type", UdfEntry.TYPE)
                .count("bytes", UdfEntry.BYTES);
        return s.count("bytes of extended attributes", UdfEntry.ATTRIBUTE_BYTES.from(head))
                .count("bytes of places", UdfEntry.PLACE_BYTES.from(head))
                .fields();
    }
}
