package org.brantel.core.filesystem.ntfs;

import java.util.List;
import org.brantel.core.bytes.Slot;
import org.brantel.core.filesystem.RecordFields;
import org.brantel.core.filesystem.RecordShape;

/** What the bytes of an {@link MftRecord} are, for people. */
final class MftRecordFields {

    private MftRecordFields() {}

    private static final int MOST = 1024;
    private static final int LEAST = 64;
    private static final int MOST_ATTRIBUTES = 32;
    private static final long END = 0xffffffffL;

    static final RecordShape SHAPE = new RecordShape(
            "Record of the file table",
            MOST,
            b -> (int) Math.max(LEAST, Math.min(b.length, MftRecord.IN_USE.in(b, 0))),
            MftRecordFields::of);

    private static List<RecordFields.Field> of(byte[] b) {
        RecordFields s = new RecordFields(b);
        s.text("signature", MftRecord.MARK)
                .count("update sequence at", MftRecord.UPDATES_AT)
                .count("its values", MftRecord.UPDATES)
                .count("sequence", MftRecord.SEQUENCE)
                .count("names", MftRecord.NAMES)
                .count("attributes at", MftRecord.ATTRIBUTES_AT)
                .flags("flags", MftRecord.FLAGS, "in use", "folder")
                .count("bytes in use", MftRecord.IN_USE);
        reference(s, b, "continues record", MftRecord.BASE, "its sequence");
        s.count("number", MftRecord.NUMBER);
        int at = MftRecord.ATTRIBUTES_AT.intIn(b, 0);
        for (int i = 0; i < MOST_ATTRIBUTES && s.fits(new Slot(at, 16)) && Attribute.TYPE.in(b, at) != END; i++) {
            int length = (int) Math.min(Attribute.LENGTH.in(b, at), 65536);
            if (length < 16) {
                break;
            }
            attribute(s, b, at, length);
            at += length;
        }
        return s.fields();
    }

    /** A record by its number and by how often that was given out. */
    private static void reference(RecordFields s, byte[] b, String record, Slot slot, String sequence) {
        Slot upper = new Slot(slot.at() + 6, 2);
        if (s.fits(slot)) {
            long value = slot.in(b, 0);
            s.add(record, new Slot(slot.at(), 6), Long.toString(MftRecord.numberOf(value)))
                    .add(sequence, upper, Integer.toString(MftRecord.sequenceOf(value)));
        }
    }

    private static String words(int type) {
        return switch (type) {
            case Attribute.STANDARD_INFORMATION -> "times and attributes";
            case Attribute.LIST -> "list of further records";
            case Attribute.FILE_NAME -> "name";
            case Attribute.DATA -> "content";
            case Attribute.INDEX_ROOT -> "index";
            case Attribute.INDEX_ALLOCATION -> "index blocks";
            case Attribute.BITMAP -> "bitmap";
            case Attribute.REPARSE_POINT -> "link or other meaning";
            default -> String.format("attribute %02X", type);
        };
    }

    private static void attribute(RecordFields s, byte[] b, int at, int length) {
        int type = (int) Attribute.TYPE.in(b, at);
        boolean resident = Attribute.AWAY.in(b, at) == 0;
        Slot head = new Slot(at, Attribute.LENGTH.end());
        s.add(words(type), head, length + " bytes, " + (resident ? "in the record" : "in clusters"));
        if (resident) {
            Slot place = Attribute.VALUE_AT.from(at);
            if (s.fits(place)) {
                value(s, b, at, type, at + place.intIn(b, 0));
            }
        } else if (s.fits(Attribute.WRITTEN.from(at))) {
            s.count("bytes allocated", Attribute.ALLOCATED.from(at))
                    .count("bytes", Attribute.BYTES.from(at))
                    .count("bytes written", Attribute.WRITTEN.from(at));
            int runs = at + Attribute.RUNS_AT.intIn(b, at);
            s.add(
                    "runs",
                    new Slot(runs, Math.max(0, Math.min(at + length, b.length) - runs)),
                    "length and place of each, in clusters");
        }
    }

    private static void value(RecordFields s, byte[] b, int at, int type, int value) {
        switch (type) {
            case Attribute.STANDARD_INFORMATION ->
                s.ticks("created", StandardInformation.CREATED.from(value))
                        .ticks("changed", StandardInformation.MODIFIED.from(value))
                        .ticks("record changed", StandardInformation.RECORD_CHANGED.from(value))
                        .ticks("accessed", StandardInformation.ACCESSED.from(value))
                        .flags(
                                "attributes",
                                StandardInformation.ATTRIBUTES.from(value),
                                "read-only",
                                "hidden",
                                "system",
                                "",
                                "",
                                "archive");
            case Attribute.FILE_NAME -> {
                if (s.fits(new Slot(value, FileName.HEAD))) {
                    reference(s, b, "record of its folder", FileName.PARENT.from(value), "sequence of its folder");
                    s.wide("name", new Slot(value + FileName.HEAD, FileName.CHARACTERS.intIn(b, value) * 2));
                }
            }
            case Attribute.DATA -> {
                long bytes = Attribute.VALUE_BYTES.in(b, at);
                s.add(
                        "its bytes",
                        new Slot(value, (int) Math.max(0, Math.min(bytes, b.length - value))),
                        bytes + " bytes of content");
            }
            default -> {
                // Nothing more is known of it.
            }
        }
    }
}
