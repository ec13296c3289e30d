package org.brantel.core.explain;

import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.source.LittleEndian;

/** Takes a structure apart, field by field. What does not fit into the bytes at hand is left out. */
final class Structure {

    private static final long SECONDS_TO_1970 = 11_644_473_600L;

    private final byte[] bytes;
    private final List<Step.Field> fields = new ArrayList<>();

    Structure(byte[] bytes) {
        this.bytes = bytes;
    }

    boolean fits(int at, int length) {
        return at >= 0 && length >= 0 && at <= bytes.length - length;
    }

    long number(int at, int length) {
        long value = 0;
        for (int i = length - 1; i >= 0; i--) {
            value = value << 8 | bytes[at + i] & 0xff;
        }
        return value;
    }

    Structure add(String name, int at, int length, String value) {
        if (fits(at, length)) {
            fields.add(new Step.Field(name, at, length, value));
        }
        return this;
    }

    Structure count(String name, int at, int length) {
        return fits(at, length) ? add(name, at, length, Long.toString(number(at, length))) : this;
    }

    Structure flags(String name, int at, int length, String... words) {
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

    Structure text(String name, int at, int length) {
        return fits(at, length)
                ? add(name, at, length, "'" + new String(bytes, at, length, StandardCharsets.ISO_8859_1) + "'")
                : this;
    }

    Structure wide(String name, int at, int length) {
        return fits(at, length)
                ? add(
                        name,
                        at,
                        length,
                        "'" + new String(bytes, at, length, StandardCharsets.UTF_16LE).replaceAll("[\0\uffff]+$", "")
                                + "'")
                : this;
    }

    Structure seconds(String name, int at) {
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

    Structure ticks(String name, int at) {
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
    Structure dosTime(String name, int at, int length) {
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

    List<Step.Field> fields() {
        return fields.stream().sorted((a, b) -> Integer.compare(a.at(), b.at())).toList();
    }

    static String hex(byte[] bytes) {
        StringBuilder hex = new StringBuilder(bytes.length * 2);
        for (byte b : bytes) {
            hex.append(Character.forDigit(b >> 4 & 15, 16)).append(Character.forDigit(b & 15, 16));
        }
        return hex.toString();
    }

    static String time(Instant instant) {
        try {
            return instant == null ? "none" : instant.toString();
        } catch (DateTimeException e) {
            return "none";
        }
    }
}
