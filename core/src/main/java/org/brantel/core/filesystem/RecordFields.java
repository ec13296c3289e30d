package org.brantel.core.filesystem;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.LittleEndian;
import org.brantel.core.bytes.Slot;

/** Takes a structure apart, field by field. What does not fit into the bytes at hand is left out. */
public final class RecordFields {

    private static final long SECONDS_TO_1970 = 11_644_473_600L;

    /**
     * A field of a record.
     *
     * @param at    from the record's first byte
     * @param value in words or numbers
     */
    public record Field(String name, int at, int length, String value) {}

    private final byte[] bytes;
    private final List<Field> fields = new ArrayList<>();

    public RecordFields(byte[] bytes) {
        this.bytes = bytes;
    }

    public boolean fits(Slot slot) {
        return slot.at() >= 0 && slot.length() >= 0 && slot.at() <= bytes.length - slot.length();
    }

    public RecordFields add(String name, Slot slot, String value) {
        if (fits(slot)) {
            fields.add(new Field(name, slot.at(), slot.length(), value));
        }
        return this;
    }

    public RecordFields count(String name, Slot slot) {
        return fits(slot) ? add(name, slot, Long.toString(slot.in(bytes, 0))) : this;
    }

    public RecordFields flags(String name, Slot slot, String... words) {
        if (!fits(slot)) {
            return this;
        }
        long value = slot.in(bytes, 0);
        List<String> set = new ArrayList<>();
        for (int i = 0; i < words.length; i++) {
            if ((value >> i & 1) != 0 && !words[i].isEmpty()) {
                set.add(words[i]);
            }
        }
        return add(
                name,
                slot,
                String.format("%0" + slot.length() * 2 + "X", value)
                        + (set.isEmpty() ? "" : ": " + String.join(", ", set)));
    }

    public RecordFields text(String name, Slot slot) {
        return fits(slot)
                ? add(name, slot, "'" + new String(bytes, slot.at(), slot.length(), StandardCharsets.ISO_8859_1) + "'")
                : this;
    }

    public RecordFields wide(String name, Slot slot) {
        return fits(slot)
                ? add(
                        name,
                        slot,
                        "'"
                                + new String(bytes, slot.at(), slot.length(), StandardCharsets.UTF_16LE)
                                        .replaceAll("[\0\uffff]+$", "")
                                + "'")
                : this;
    }

    public RecordFields seconds(String name, Slot slot) {
        return fits(slot)
                ? add(
                        name,
                        slot,
                        slot.in(bytes, 0) == 0
                                ? "none"
                                : Instant.ofEpochSecond(LittleEndian.i32(bytes, slot.at()))
                                        .toString())
                : this;
    }

    public RecordFields ticks(String name, Slot slot) {
        if (!fits(slot)) {
            return this;
        }
        long ticks = slot.in(bytes, 0);
        return add(
                name,
                slot,
                ticks <= 0
                        ? "none"
                        : Instant.ofEpochSecond(ticks / 10_000_000L - SECONDS_TO_1970, ticks % 10_000_000L * 100)
                                .toString());
    }

    /** A date of 2 bytes, or a time and a date of 4, as FAT counts them. */
    public RecordFields dosTime(String name, Slot slot) {
        if (!fits(slot)) {
            return this;
        }
        long date = new Slot(slot.end() - 2, 2).in(bytes, 0);
        long time = slot.length() == 4 ? new Slot(slot.at(), 2).in(bytes, 0) : 0;
        String day = date == 0 ? "none" : String.format("%d-%02d-%02d", 1980 + (date >> 9), date >> 5 & 15, date & 31);
        return add(
                name,
                slot,
                slot.length() == 2 || date == 0
                        ? day
                        : String.format("%s %02d:%02d:%02d", day, time >> 11, time >> 5 & 63, (time & 31) * 2));
    }

    public List<Field> fields() {
        return fields.stream().sorted((a, b) -> Integer.compare(a.at(), b.at())).toList();
    }
}
