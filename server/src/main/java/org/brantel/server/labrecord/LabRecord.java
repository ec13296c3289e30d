package org.brantel.server.labrecord;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.core.estimate.Estimate;
import org.brantel.core.past.HowEnded;
import org.brantel.core.past.PastCase;
import org.brantel.core.past.PastRecord;
import org.brantel.core.past.Spread;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.closing.Closings;
import org.brantel.server.closing.Outcome;
import org.brantel.server.delivery.Endings;
import org.brantel.server.intake.PastCases;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.recovery.RecoveryViews;
import org.brantel.server.scan.Scans;
import org.brantel.server.triage.Estimates;
import org.brantel.server.work.WorkTime;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Counts from the records of the cases that ended in some months, and of those that are open. */
@Service
class LabRecord {

    /**
     * How the lab did.
     *
     * @param from   the first month, like {@code 2026-11}; {@code to} the last
     * @param now    where open cases stand
     */
    record Told(String from, String to, PastRecord past, List<Now> now) {}

    /**
     * Open cases of a stage.
     *
     * @param days that they stand there
     */
    record Now(String stage, long cases, Spread days, double longest) {}

    private static final int MOST_MONTHS = 120;
    private static final int AT_ONCE = 10_000;
    private static final double DAY = 86_400;

    private final PastCases cases;
    private final Closings closings;
    private final Endings endings;
    private final Estimates estimates;
    private final ImagingRecords imaging;
    private final Scans scans;
    private final Settings settings;
    private final Clock clock;

    LabRecord(
            PastCases cases,
            Closings closings,
            Endings endings,
            Estimates estimates,
            ImagingRecords imaging,
            Scans scans,
            Settings settings,
            Clock clock) {
        this.cases = cases;
        this.closings = closings;
        this.endings = endings;
        this.estimates = estimates;
        this.imaging = imaging;
        this.scans = scans;
        this.settings = settings;
        this.clock = clock;
    }

    /** @throws Refusal when the months do not follow on one another, or are too many */
    @Transactional(readOnly = true)
    Told of(YearMonth from, YearMonth to) {
        if (from.isAfter(to)) {
            throw Refusal.badInput("from", "The first month, " + from + ", comes after the last, " + to + ".");
        }
        if (ChronoUnit.MONTHS.between(from, to) >= MOST_MONTHS) {
            throw Refusal.badInput("from", "At most " + MOST_MONTHS + " months are counted at once.");
        }
        List<PastCases.Past> ended = cases.ended(start(from), start(to.plusMonths(1)));
        List<PastCase> all = new ArrayList<>();
        for (int i = 0; i < ended.size(); i += AT_ONCE) {
            all.addAll(cases(ended.subList(i, Math.min(ended.size(), i + AT_ONCE))));
        }
        List<String> stages = Arrays.stream(Stage.values())
                .filter(Stage::isOpen)
                .map(Stage::word)
                .toList();
        return new Told(from.toString(), to.toString(), PastRecord.of(all, from, to, stages), now());
    }

    private Instant start(YearMonth month) {
        return month.atDay(1).atStartOfDay(settings.zone()).toInstant();
    }

    private List<PastCase> cases(List<PastCases.Past> some) {
        List<Long> ids = some.stream().map(PastCases.Past::id).toList();
        Map<Long, Outcome> outcomes = closings.outcomes(ids);
        Map<Long, RecoveryViews.Outcome> files = endings.files(ids);
        Map<Long, Estimate> foretold = estimates.of(ids);
        Map<Long, Double> read = byCase(imaging.times(foretold.keySet()));
        Map<Long, Double> scanned = byCase(scans.times(foretold.keySet()));
        return some.stream()
                .map(c -> new PastCase(
                        YearMonth.from(c.endedAt().atZone(settings.zone())),
                        how(c, outcomes.get(c.id()), files.get(c.id())),
                        c.path() == null ? "" : c.path().word(),
                        c.media(),
                        c.losses(),
                        c.stays().entrySet().stream()
                                .map(s -> new PastCase.Stay(s.getKey().word(), s.getValue()))
                                .toList(),
                        foretold(foretold.get(c.id()), read.get(c.id()), scanned.get(c.id()))))
                .toList();
    }

    private static HowEnded how(PastCases.Past c, @Nullable Outcome outcome, RecoveryViews.@Nullable Outcome files) {
        return Closings.how(c.stage(), outcome, files);
    }

    private static Map<Long, Double> byCase(Collection<WorkTime> times) {
        return times.stream()
                .filter(t -> t.seconds() != null)
                .collect(Collectors.toMap(WorkTime::caseId, WorkTime::seconds));
    }

    /** Where nothing was foretold, or nothing of it was done, nothing can be compared. */
    private static List<PastCase.Foretold> foretold(
            @Nullable Estimate estimate, @Nullable Double read, @Nullable Double scanned) {
        List<PastCase.Foretold> all = new ArrayList<>();
        if (estimate != null && estimate.imaging() != null && read != null) {
            all.add(new PastCase.Foretold(
                    "imaging", estimate.imaging().low(), estimate.imaging().high(), read));
        }
        if (estimate != null && estimate.scanning() != null && scanned != null) {
            all.add(new PastCase.Foretold(
                    "scanning", estimate.scanning().low(), estimate.scanning().high(), scanned));
        }
        return all;
    }

    private List<Now> now() {
        Instant now = clock.instant();
        Map<Stage, List<Double>> days = new EnumMap<>(Stage.class);
        cases.open().forEach(s -> days.computeIfAbsent(s.stage(), k -> new ArrayList<>())
                .add(Duration.between(s.since(), now).toMillis() / 1000.0 / DAY));
        return days.entrySet().stream()
                .map(e -> new Now(
                        e.getKey().word(),
                        e.getValue().size(),
                        Spread.of(e.getValue()),
                        e.getValue().stream()
                                .mapToDouble(Double::doubleValue)
                                .max()
                                .orElse(0)))
                .toList();
    }
}
