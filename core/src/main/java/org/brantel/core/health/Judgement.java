package org.brantel.core.health;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.brantel.core.json.Json;
import org.jspecify.annotations.Nullable;

/**
 * What a series of readings says about a device, and which numbers made it.
 *
 * @param reasons worst first; empty when all is well
 */
public record Judgement(Grade grade, List<Reason> reasons) {

    /** From best to worst; the words of the fact {@code bench.health}. */
    public enum Grade {
        GOOD,
        WATCH,
        POOR,
        FAILING;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * @param what the attribute
     * @param value as read
     * @param bound at which this grade begins
     */
    public record Reason(String what, long value, long bound, Grade grade) {}

    /** One line of {@code thresholds.json}: from which value on an attribute has a grade; null for never. */
    record Threshold(String what, Long watch, Long poor, Long failing) {

        @Nullable
        Reason judge(long value) {
            return failing != null && value >= failing
                    ? new Reason(what, value, failing, Grade.FAILING)
                    : poor != null && value >= poor
                            ? new Reason(what, value, poor, Grade.POOR)
                            : watch != null && value >= watch ? new Reason(what, value, watch, Grade.WATCH) : null;
        }
    }

    private static final List<Threshold> THRESHOLDS = shipped();

    /** @param series in the order of time; not empty */
    public static Judgement of(List<HealthReading> series) {
        HealthReading last = series.get(series.size() - 1);
        List<Reason> reasons = new ArrayList<>();
        add(reasons, "temperature", last.celsius());
        add(reasons, "reallocated sectors", last.reallocated());
        add(reasons, "pending sectors", last.pending());
        add(reasons, "uncorrectable sectors", last.uncorrectable());
        add(reasons, "interface checksum errors", last.linkErrors());
        add(reasons, "endurance used", last.percentUsed());
        add(reasons, "growth of damaged sectors", last.damaged() - series.get(0).damaged());
        last.attributes().stream()
                .filter(HealthReading.Attribute::hasFailed)
                .forEach(a -> reasons.add(new Reason(
                        a.name() + ", normalised",
                        a.value(),
                        a.threshold(),
                        a.preFail() ? Grade.FAILING : Grade.POOR)));
        if (last.spare() != null && last.spareThreshold() != null && last.spare() < last.spareThreshold()) {
            reasons.add(new Reason("spare left", last.spare(), last.spareThreshold(), Grade.FAILING));
        }
        warning(reasons, last, NvmeLog.UNRELIABLE, "the device calls itself unreliable", Grade.FAILING);
        warning(reasons, last, NvmeLog.READ_ONLY, "the device went read-only", Grade.FAILING);
        warning(reasons, last, NvmeLog.BACKUP_FAILED, "its memory backup failed", Grade.POOR);
        warning(reasons, last, NvmeLog.TEMPERATURE, "it warns of its temperature", Grade.WATCH);
        reasons.sort(Comparator.comparing(Reason::grade).reversed());
        return new Judgement(reasons.isEmpty() ? Grade.GOOD : reasons.get(0).grade(), List.copyOf(reasons));
    }

    private static void add(List<Reason> reasons, String what, @Nullable Number value) {
        if (value == null) {
            return;
        }
        THRESHOLDS.stream()
                .filter(t -> t.what().equals(what))
                .map(t -> t.judge(value.longValue()))
                .filter(r -> r != null)
                .forEach(reasons::add);
    }

    private static void warning(List<Reason> reasons, HealthReading last, int bit, String what, Grade grade) {
        if ((last.warnings() & bit) != 0) {
            reasons.add(new Reason(what, 1, 1, grade));
        }
    }

    /** In words, like {@code pending sectors 38 (from 20)}. */
    public String words() {
        return reasons.isEmpty()
                ? "no attribute is beyond its thresholds"
                : reasons.stream()
                        .map(r -> r.what() + " " + r.value() + " (from " + r.bound() + ")")
                        .reduce((a, b) -> a + ", " + b)
                        .orElseThrow();
    }

    /** What it means, as one sentence with the numbers that say so. */
    public String sentence() {
        return switch (grade) {
            case GOOD -> "Of what it reports, nothing is beyond a threshold.";
            case WATCH -> "It should be watched: " + words() + ".";
            case POOR -> "It is worn: " + words() + ".";
            case FAILING -> "It is failing: " + words() + ".";
        };
    }

    private static List<Threshold> shipped() {
        try (InputStream in = Judgement.class.getResourceAsStream("thresholds.json")) {
            return List.of(Json.read(
                    new String(in.readAllBytes(), StandardCharsets.UTF_8),
                    Threshold[].class,
                    "list of health thresholds",
                    "thresholds.json"));
        } catch (IOException e) {
            throw new IllegalStateException("the health thresholds that ship with the product are malformed", e);
        }
    }
}
