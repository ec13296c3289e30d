package org.brantel.core.source;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Compares an attached medium with what the case says about the device, before the first read.
 *
 * @param lines one line for each of serial, model and size
 */
public record IdentityCheck(List<Line> lines) {

    /** EQUAL: same on both sides. DIFFERS: needs a recorded decision. SILENT: one side says nothing. */
    public enum Verdict { EQUAL, DIFFERS, SILENT }

    public record Line(String what, String onCase, String onMedium, Verdict verdict) { }

    /** Capacities on labels are rounded; a medium within this share of the stated size is the same size. */
    private static final double LABEL_TOLERANCE = 0.08;

    /** @param expected the case's device; size 0 when the label did not say */
    public static IdentityCheck compare(Identity expected, Identity found) {
        List<Line> lines = new ArrayList<>();
        lines.add(text("serial", expected.serial(), found.serial()));
        lines.add(text("model", expected.model(), found.model()));
        Verdict size = expected.size() <= 0 || found.size() <= 0 ? Verdict.SILENT
                : Math.abs(expected.size() - found.size()) <= expected.size() * LABEL_TOLERANCE
                ? Verdict.EQUAL : Verdict.DIFFERS;
        lines.add(new Line("size", expected.size() <= 0 ? "" : Long.toString(expected.size()),
                Long.toString(found.size()), size));
        return new IdentityCheck(List.copyOf(lines));
    }

    /** True when nothing differs; lines where one side is silent do not block. */
    public boolean matches() {
        return lines.stream().noneMatch(l -> l.verdict() == Verdict.DIFFERS);
    }

    private static Line text(String what, String expected, String found) {
        if (expected.isBlank() || found.isBlank()) {
            return new Line(what, expected, found, Verdict.SILENT);
        }
        return new Line(what, expected, found, plain(expected).equals(plain(found)) ? Verdict.EQUAL : Verdict.DIFFERS);
    }

    /** Labels are copied by hand: case, spaces and dashes do not make another device. */
    private static String plain(String text) {
        return text.toLowerCase(Locale.ROOT).replaceAll("[\\s\\-_.]", "");
    }
}
