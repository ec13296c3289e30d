package org.brantel.core.filesystem.optical;

import static org.brantel.core.bytes.LittleEndian.u8;

import java.util.List;
import org.brantel.core.filesystem.RecordFields;
import org.brantel.core.filesystem.RecordShape;

/** What the bytes of an {@link IsoRecord} are, for people. */
final class IsoRecordFields {

    private IsoRecordFields() {}

    static final RecordShape SHAPE = new RecordShape(
            "Record in its folder", 255, b -> Math.min(b.length, Math.max(34, u8(b, 0))), IsoRecordFields::of);

    private static List<RecordFields.Field> of(byte[] b) {
        RecordFields s = new RecordFields(b);
        return s.count("bytes of the record", 0, 1)
                .count("first block", 2, 4)
                .count("bytes", 10, 4)
                .add("recorded", 18, 7, "year - 1900, month, day, hour, minute, second, zone")
                .flags("flags", 25, 1, "hidden", "folder", "", "", "", "", "", "goes on")
                .count("bytes of the name", 32, 1)
                .text("name", 33, s.fits(32, 1) ? u8(b, 32) : 0)
                .fields();
    }
}
