package org.brantel.core.source;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/**
 * Compares an attached medium with what the case says about the device, before the first read.
 *
 * @param lines one line for each of serial, model and size
 */
public record IdentityCheck(List<Line> lines) {

    /**
     * EQUAL: the same on both sides. FITS: a size that a label rounds to the one it says. DIFFERS: needs a recorded
     * decision. SILENT: one side says nothing.
     */
    public enum Verdict {
        EQUAL,
        FITS,
        DIFFERS,
        SILENT
    }

    /** What is compared; a serial number tells most. */
    public enum What {
        SERIAL(8),
        MODEL(4),
        SIZE(2);

        private final int weight;

        What(int weight) {
            this.weight = weight;
        }

        @JsonValue
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** @param words the comparison in words, saying no more than was compared */
    public record Line(What what, String onCase, String onMedium, Verdict verdict, String words) {}

    /** Capacities on labels are rounded; a medium within this share of the stated size is the same size. */
    private static final double LABEL_TOLERANCE = 0.08;

    /** @param expected the case's device; size 0 when the label did not say */
    public static IdentityCheck compare(Identity expected, Identity found) {
        List<Line> lines = new ArrayList<>();
        lines.add(text(What.SERIAL, expected.serial(), found.serial()));
        lines.add(text(What.MODEL, expected.model(), found.model()));
        lines.add(size(expected.size(), found.size()));
        return new IdentityCheck(List.copyOf(lines));
    }

    private static Line size(long expected, long found) {
        Verdict verdict = expected <= 0 || found <= 0
                ? Verdict.SILENT
                : expected == found
                        ? Verdict.EQUAL
                        : Math.abs(expected - found) <= expected * LABEL_TOLERANCE ? Verdict.FITS : Verdict.DIFFERS;
        String words =
                switch (verdict) {
                    case EQUAL -> "size equal, " + found + " bytes";
                    case FITS -> "size fits the label (" + decimal(expected) + " on the label, " + binary(found) + ")";
                    case DIFFERS -> "size differs (" + decimal(expected) + " on the label, " + binary(found) + ")";
                    case SILENT -> expected <= 0 ? "no size noted on the case" : "the medium gives no size";
                };
        return new Line(What.SIZE, expected <= 0 ? "" : Long.toString(expected), Long.toString(found), verdict, words);
    }

    /** As makers print sizes. */
    private static String decimal(long bytes) {
        return scaled(bytes, 1000, "B kB MB GB TB PB");
    }

    /** As machines count them. */
    private static String binary(long bytes) {
        return scaled(bytes, 1024, "B KiB MiB GiB TiB PiB");
    }

    private static String scaled(long bytes, int step, String units) {
        String[] unit = units.split(" ");
        double value = bytes;
        int i = 0;
        while (value >= step && i + 1 < unit.length) {
            value /= step;
            i++;
        }
        return String.format(Locale.ROOT, value < 100 && i > 0 ? "%.1f %s" : "%.0f %s", value, unit[i])
                .replace(".0 ", " ");
    }

    /** Everything that was compared, in words. */
    public String words() {
        return lines.stream().map(Line::words).collect(Collectors.joining(", "));
    }

    /** How much speaks for it being the case's device; 0 when nothing does, or something differs. */
    public int weight() {
        return !matches()
                ? 0
                : lines.stream()
                        .mapToInt(l -> switch (l.verdict()) {
                            case EQUAL -> l.what().weight;
                            case FITS -> 1;
                            case SILENT, DIFFERS -> 0;
                        })
                        .sum();
    }

    /** True when nothing differs; lines where one side is silent do not block. */
    public boolean matches() {
        return lines.stream().noneMatch(l -> l.verdict() == Verdict.DIFFERS);
    }

    private static Line text(What what, String expected, String found) {
        if (expected.isBlank() || found.isBlank()) {
            String words = expected.isBlank() && found.isBlank()
                    ? "no " + what.word() + " on either side"
                    : expected.isBlank()
                            ? "no " + what.word() + " noted on the case"
                            : "the medium gives no " + what.word();
            return new Line(what, expected, found, Verdict.SILENT, words);
        }
        boolean equal = plain(expected).equals(plain(found));
        return new Line(
                what,
                expected,
                found,
                equal ? Verdict.EQUAL : Verdict.DIFFERS,
                what.word()
                        + (equal ? " equal" : " differs (" + expected + " on the case, " + found + " on the medium)"));
    }

    /** Labels are copied by hand: case, spaces and dashes do not make another device. */
    private static String plain(String text) {
        return text.toLowerCase(Locale.ROOT).replaceAll("[\\s\\-_.]", "");
    }
}
