package org.brantel.core.estimate;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.brantel.core.triage.Condition;
import org.brantel.core.triage.Facts;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.core.triage.Triage;
import org.jspecify.annotations.Nullable;

/** Makes estimates. Pure: the same facts, history and prices give the same estimate. */
public final class Estimator {

    /**
     * What is known about the device or devices.
     *
     * @param medium     type of the first device
     * @param capacity   bytes of all devices together; 0 when not known
     * @param attachedBy the interface, as it was written down; may be empty
     * @param deadline   null for none
     */
    public record Job(
            String medium,
            long capacity,
            String attachedBy,
            @Nullable LocalDate deadline) {}

    private static final double TERABYTE = 1e12;

    private record Slow(List<Condition> when, Band factor, String reason) {}

    private final Defaults defaults = Defaults.shipped();
    private final List<Slow> slowing;
    private final Triage triage;

    public Estimator(Triage triage) {
        this.triage = triage;
        Protocol protocol = triage.protocol();
        slowing = defaults.slowing().stream()
                .map(s -> new Slow(Condition.all(s.when(), protocol), s.factor(), s.reason()))
                .toList();
    }

    /**
     * @param history newest first
     * @param today   in the lab's zone
     */
    public Estimate estimate(
            RecoveryPath path, Facts facts, Job job, List<Measured> history, PriceList prices, LocalDate today) {
        Triage.Outlook outlook = triage.outlook(path, facts);
        return new Estimate(
                path,
                imaging(path, facts, job, history),
                scanning(path, job, history),
                effort(path, facts),
                quote(path, job, prices, today),
                prices.currency(),
                outlook.chance().words(),
                outlook.restsOn());
    }

    private Estimate.@Nullable Part imaging(RecoveryPath path, Facts facts, Job job, List<Measured> history) {
        if (!path.reads() || job.capacity() <= 0) {
            return null;
        }
        List<Slow> slow = slowing.stream()
                .filter(s -> Condition.allHoldBecause(s.when(), facts) != null)
                .toList();
        boolean healthy = slow.isEmpty() && path != RecoveryPath.CAREFUL_IMAGING;
        List<Measured> alike = history.stream()
                .filter(m ->
                        m.work() == Measured.Work.IMAGING && m.medium().equals(job.medium()) && m.healthy() == healthy)
                .toList();
        Band usual = defaults.usualImaging(job.medium());
        List<String> reasons = new ArrayList<>();
        Defaults.Interface ceiling = defaults.interfaces().stream()
                .filter(i -> job.attachedBy().strip().toLowerCase(Locale.ROOT).matches(i.named()))
                .findFirst()
                .orElse(null);
        if (ceiling != null && ceiling.most() < usual.high()) {
            usual = new Band(Math.min(usual.low(), ceiling.most() / 2), ceiling.most());
            reasons.add(ceiling.reason());
        }
        for (Slow s : slow) {
            usual = usual.times(s.factor());
            reasons.add(s.reason());
        }
        if (!healthy && slow.isEmpty()) {
            usual = usual.times(new Band(0.3, 0.8));
            reasons.add("careful imaging rests and goes back");
        }
        String what = word(job.medium()) + (healthy ? "" : " that read with faults");
        Pace pace = Pace.of(usual, alike, what);
        reasons.add(0, pace.reason());
        if (path == RecoveryPath.HARDWARE_WORK) {
            reasons.add("after the partner's work, which comes on top");
        }
        return Estimate.Part.of(
                new Band(
                        job.capacity() / pace.rate().high(),
                        job.capacity() / pace.rate().low()),
                reasons);
    }

    private Estimate.@Nullable Part scanning(RecoveryPath path, Job job, List<Measured> history) {
        if (!path.scans() || job.capacity() <= 0) {
            return null;
        }
        Pace structure = Pace.of(defaults.structure(), of(Measured.Work.STRUCTURE, history), "structure scans");
        Pace carve = Pace.of(defaults.carve(), of(Measured.Work.CARVE, history), "carving");
        return Estimate.Part.of(
                new Band(
                        job.capacity() / structure.rate().high(),
                        job.capacity() / structure.rate().low()
                                + job.capacity() / carve.rate().low()),
                List.of(
                        structure.reason(),
                        carve.reason(),
                        "the low end is a structure scan alone, the high end both"));
    }

    private static List<Measured> of(Measured.Work work, List<Measured> history) {
        return history.stream().filter(m -> m.work() == work).toList();
    }

    private Estimate.Part effort(RecoveryPath path, Facts facts) {
        Band hours = defaults.effort().getOrDefault(path, new Band(1, 8));
        List<String> reasons = new ArrayList<>(List.of("what " + path.words() + " usually takes"));
        if (facts.has("crypt", "key-known") && path != RecoveryPath.UNLOCK_FIRST) {
            hours = hours.plus(new Band(0.5, 1));
            reasons.add("it must be unlocked first");
        }
        return Estimate.Part.of(hours, reasons);
    }

    /** What the price list says of a job on a path, and why. */
    public static Estimate.Part quote(RecoveryPath path, Job job, PriceList prices, LocalDate today) {
        Band money = prices.byPath().getOrDefault(path, new Band(0, 0));
        List<String> reasons = new ArrayList<>(List.of("the price list's band for " + path.words()));
        double more = Math.ceil(job.capacity() / TERABYTE) - 1;
        if (more > 0 && money.high() > 0 && prices.perTerabyte() > 0) {
            money = money.plus(new Band(more * prices.perTerabyte(), more * prices.perTerabyte()));
            reasons.add(Math.round(more) + " TB beyond the first");
        }
        if (job.deadline() != null
                && prices.urgentPercent() > 0
                && money.high() > 0
                && ChronoUnit.DAYS.between(today, job.deadline()) <= prices.urgentDays()) {
            double factor = 1 + prices.urgentPercent() / 100.0;
            money = money.times(new Band(factor, factor));
            reasons.add("needed within " + prices.urgentDays() + " days: " + prices.urgentPercent() + " % more");
        }
        return Estimate.Part.of(money, reasons);
    }

    private static String word(String code) {
        return code.replace('-', ' ');
    }
}
