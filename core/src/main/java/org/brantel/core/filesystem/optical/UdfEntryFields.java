package org.brantel.core.filesystem.optical;

import static org.brantel.core.bytes.LittleEndian.u16;

import java.util.List;
import org.brantel.core.filesystem.RecordFields;
import org.brantel.core.filesystem.RecordShape;

/** What the bytes of a {@link UdfEntry} are, for people. */
final class UdfEntryFields {

    private UdfEntryFields() {}

    static final RecordShape SHAPE = RecordShape.fixed("File entry", 216, UdfEntryFields::of);

    private static List<RecordFields.Field> of(byte[] b) {
        RecordFields s = new RecordFields(b);
        boolean extended = u16(b, 0) == 266;
        s.add("tag", 0, 16, extended ? "extended file entry" : "file entry")
                .count("type", 27, 1)
                .count("bytes", 56, 8);
        return s.count("bytes of extended attributes", extended ? 208 : 168, 4)
                .count("bytes of places", extended ? 212 : 172, 4)
                .fields();
    }
}
