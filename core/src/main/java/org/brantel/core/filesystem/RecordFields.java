package org.brantel.core.filesystem;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.LittleEndian;

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

    public boolean fits(int at, int length) {
        return at >= 0 && length >= 0 && at <= bytes.length - length;
    }

    private long number(int at, int length) {
        long value = 0;
        for (int i = length - 1; i >= 0; i--) {
            value = value << 8 | bytes[at + i] & 0xff;
        }
        return value;
    }

    public RecordFields add(String name, int at, int length, String value) {
        if (fits(at, length)) {
            fields.add(new Field(name, at, length, value));
        }
        return this;
    }

    public RecordFields count(String name, int at, int length) {
        return fits(at, length) ? add(name, at, length, Long.toString(number(at, length))) : this;
    }

    public RecordFields flags(String name, int at, int length, String... words) {
        if (!fits(at, length)) {
            return this;
        }
        long value = number(at, length);
        List<String> set = new ArrayList<>();
        for (int i = 0; i < words.length; i++) {
            if ((value >> i & 1) != 0 && !words[i].isEmpty()) {
                set.add(words[i]);
            }
        }
        return add(
                name,
                at,
                length,
                String.format("%0" + length * 2 + "X", value) + (set.isEmpty() ? "" : ": " + String.join(", ", set)));
    }

    public RecordFields text(String name, int at, int length) {
        return fits(at, length)
                ? add(name, at, length, "'" + new String(bytes, at, length, StandardCharsets.ISO_8859_1) + "'")
                : this;
    }

    public RecordFields wide(String name, int at, int length) {
        return fits(at, length)
                ? add(
                        name,
                        at,
                        length,
                        "'" + new String(bytes, at, length, StandardCharsets.UTF_16LE).replaceAll("[\0\uffff]+$", "")
                                + "'")
                : this;
    }

    public RecordFields seconds(String name, int at) {
        return fits(at, 4)
                ? add(
                        name,
                        at,
                        4,
                        LittleEndian.u32(bytes, at) == 0
                                ? "none"
                                : Instant.ofEpochSecond(LittleEndian.i32(bytes, at))
                                        .toString())
                : this;
    }

    public RecordFields ticks(String name, int at) {
        if (!fits(at, 8)) {
            return this;
        }
        long ticks = LittleEndian.i64(bytes, at);
        return add(
                name,
                at,
                8,
                ticks <= 0
                        ? "none"
                        : Instant.ofEpochSecond(ticks / 10_000_000L - SECONDS_TO_1970, ticks % 10_000_000L * 100)
                                .toString());
    }

    /** A date of 2 bytes, or a time and a date of 4, as FAT counts them. */
    public RecordFields dosTime(String name, int at, int length) {
        if (!fits(at, length)) {
            return this;
        }
        long date = number(at + length - 2, 2);
        long time = length == 4 ? number(at, 2) : 0;
        String day = date == 0 ? "none" : String.format("%d-%02d-%02d", 1980 + (date >> 9), date >> 5 & 15, date & 31);
        return add(
                name,
                at,
                length,
                length == 2 || date == 0
                        ? day
                        : String.format("%s %02d:%02d:%02d", day, time >> 11, time >> 5 & 63, (time & 31) * 2));
    }

    public List<Field> fields() {
        return fields.stream().sorted((a, b) -> Integer.compare(a.at(), b.at())).toList();
    }
}
