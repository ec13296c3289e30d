package org.brantel.core.filesystem.ntfs;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;
import static org.brantel.core.bytes.LittleEndian.u8;

import java.util.List;
import org.brantel.core.filesystem.RecordFields;
import org.brantel.core.filesystem.RecordShape;

/** What the bytes of an {@link MftRecord} are, for people. */
final class MftRecordFields {

    private MftRecordFields() {}

    static final RecordShape SHAPE = new RecordShape(
            "Record of the file table",
            1024,
            b -> (int) Math.max(64, Math.min(b.length, u32(b, 24))),
            MftRecordFields::of);

    private static List<RecordFields.Field> of(byte[] b) {
        RecordFields s = new RecordFields(b);
        s.text("signature", 0, 4)
                .count("update sequence at", 4, 2)
                .count("its values", 6, 2)
                .count("sequence", 16, 2)
                .count("names", 18, 2)
                .count("attributes at", 20, 2)
                .flags("flags", 22, 2, "in use", "folder")
                .count("bytes in use", 24, 4)
                .count("continues record", 32, 6)
                .count("number", 44, 4);
        int at = u16(b, 20);
        for (int i = 0; i < 32 && s.fits(at, 16) && u32(b, at) != 0xffffffffL; i++) {
            int length = (int) Math.min(u32(b, at + 4), 65536);
            if (length < 16) {
                break;
            }
            attribute(s, b, at, length);
            at += length;
        }
        return s.fields();
    }

    private static void attribute(RecordFields s, byte[] b, int at, int length) {
        int type = (int) u32(b, at);
        boolean resident = u8(b, at + 8) == 0;
        String name =
                switch (type) {
                    case 0x10 -> "times and attributes";
                    case 0x20 -> "list of further records";
                    case 0x30 -> "name";
                    case 0x80 -> "content";
                    case 0x90 -> "index";
                    case 0xa0 -> "index blocks";
                    case 0xb0 -> "bitmap";
                    case 0xc0 -> "link or other meaning";
                    default -> String.format("attribute %02X", type);
                };
        s.add(name, at, 8, length + " bytes, " + (resident ? "in the record" : "in clusters"));
        int value = at + (s.fits(at + 20, 2) ? u16(b, at + 20) : 24);
        if (resident && type == 0x10) {
            s.ticks("created", value)
                    .ticks("changed", value + 8)
                    .ticks("record changed", value + 16)
                    .ticks("accessed", value + 24)
                    .flags("attributes", value + 32, 4, "read-only", "hidden", "system", "", "", "archive");
        } else if (resident && type == 0x30 && s.fits(value, 66)) {
            s.count("record of its folder", value, 6)
                    .count("sequence of its folder", value + 6, 2)
                    .wide("name", value + 66, u8(b, value + 64) * 2);
        } else if (!resident && s.fits(at, 64)) {
            s.count("bytes allocated", at + 40, 8).count("bytes", at + 48, 8).count("bytes written", at + 56, 8);
            int runs = at + u16(b, at + 32);
            s.add(
                    "runs",
                    runs,
                    Math.max(0, Math.min(at + length, b.length) - runs),
                    "length and place of each, in clusters");
        } else if (resident && type == 0x80 && s.fits(at + 16, 4)) {
            s.add(
                    "its bytes",
                    value,
                    (int) Math.max(0, Math.min(u32(b, at + 16), b.length - value)),
                    u32(b, at + 16) + " bytes of content");
        }
    }
}
