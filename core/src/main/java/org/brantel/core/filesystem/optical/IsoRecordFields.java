package org.brantel.core.filesystem.optical;

import java.util.List;
import org.brantel.core.bytes.Slot;
import org.brantel.core.filesystem.RecordFields;
import org.brantel.core.filesystem.RecordShape;

/** What the bytes of an {@link IsoRecord} are, for people. */
final class IsoRecordFields {

    private IsoRecordFields() {}

    static final RecordShape SHAPE = new RecordShape(
            "Record in its folder",
            255,
            b -> Math.min(b.length, Math.max(IsoRecord.HEAD + 1, IsoRecord.LENGTH.intIn(b, 0))),
            IsoRecordFields::of);

    private static List<RecordFields.Field> of(byte[] b) {
        RecordFields s = new RecordFields(b);
        return s.count("bytes of the record", IsoRecord.LENGTH)
                .count("first block", IsoRecord.BLOCK)
                .count("bytes", IsoRecord.BYTES)
                .add("recorded", IsoRecord.RECORDED, "year - 1900, month, day, hour, minute, second, zone")
                .flags("flags", IsoRecord.FLAGS, "hidden", "folder", "", "", "", "", "", "goes on")
                .count("bytes of the name", IsoRecord.NAME_LENGTH)
                .text("name", new Slot(IsoRecord.HEAD, IsoRecord.NAME_LENGTH.intIn(b, 0)))
                .fields();
    }
}
