package org.brantel.server.scan;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import org.brantel.core.carve.SuggestedNames;
import org.brantel.core.estimate.TimeLeft;
import org.brantel.core.finding.Finding;
import org.brantel.core.opening.Sources;
import org.brantel.core.scan.Scan;
import org.brantel.core.scan.ScanPlan;
import org.brantel.core.scan.ScanReport;
import org.brantel.core.scan.SessionFile;
import org.brantel.core.source.Source;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.brantel.server.settings.LabSettings;
import org.brantel.server.work.Ask;
import org.brantel.server.work.Labour;
import org.brantel.server.work.LongWork;
import org.brantel.server.work.Step;
import org.brantel.server.work.WorkRun;
import org.brantel.server.work.WorkState;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/**
 * Runs a scan session on the image and brings what it found into the catalogue. Killed, it starts anew: scans only
 * read.
 */
@Component
class ScanJob implements Labour<ScanSession> {

    /** A much smaller medium says little: what takes the same time on each is most of its. */
    private static final int MOST_UNLIKE = 10;

    private final ScanSessions sessions;
    private final ImagingRecords imaging;
    private final Catalogues catalogues;
    private final Cases cases;
    private final Happenings happenings;
    private final Settings settings;
    private final LabSettings lab;
    private final Clock clock;

    ScanJob(
            ScanSessions sessions,
            ImagingRecords imaging,
            Catalogues catalogues,
            Cases cases,
            Happenings happenings,
            Settings settings,
            LabSettings lab,
            Clock clock) {
        this.sessions = sessions;
        this.imaging = imaging;
        this.catalogues = catalogues;
        this.cases = cases;
        this.happenings = happenings;
        this.settings = settings;
        this.lab = lab;
        this.clock = clock;
    }

    /** The job. */
    @Configuration(proxyBeanMethods = false)
    static class Task {

        @Bean
        OneTimeTask<Long> scanTask(LongWork work, ScanJob job) {
            return work.define("scan", job);
        }
    }

    @Override
    public String name() {
        return "a scan";
    }

    @Override
    public Topic topic() {
        return Topic.SCAN;
    }

    @Override
    public ScanSessions records() {
        return sessions;
    }

    @Override
    public String consequence() {
        return "the image is untouched, start another scan";
    }

    @Override
    public Step<ScanSession> work(WorkRun<ScanSession> run) throws IOException {
        ScanSession session = run.record();
        Path folder = settings.scans()
                .resolve(run.number())
                .resolve("scan-" + run.id())
                .toAbsolutePath();
        run.progress(s -> s.runIn(folder.toString()));
        try (Source source = open(session, run)) {
            String from = session.importedFrom();
            Step<ScanSession> end = from == null ? scan(run, folder, source) : unpack(run, from, folder, source);
            return session.early() ? end.announced(new FirstScan.EarlyEnded(run.number(), session.imagingId())) : end;
        }
    }

    private Step<ScanSession> scan(WorkRun<ScanSession> run, Path folder, Source source) throws IOException {
        ScanSession session = run.record();
        ScanPlan plan = ScanPlan.of(Objects.requireNonNull(session.method(), "a method of a session that scans here"))
                .onVolume(session.scope().volume())
                .searching(session.scope().search())
                .naming(new SuggestedNames(lab.bench().namePattern()))
                .hashing(session.scope().hashes())
                .ofListed(session.ofFiles());
        ScanWatch watch = new ScanWatch(
                teller(run),
                new TimeLeft(plan.method().carves() ? "content" : "search", likeIt(session, source.size())),
                session.added());
        ScanReport report = new Scan(
                        source,
                        plan.except(
                                session.scope().again()
                                        ? List.of()
                                        : sessions.carvedBefore(
                                                session.caseId(), session.imagingId(), plan, source.size())),
                        watch,
                        clock)
                .run(folder, run.askedAfterRests());
        if (run.serverStops()) {
            throw run.leave();
        }
        // All of them: what came in on the way may have been found a second time since.
        Catalogues.Merged merged = join(run, folder, report, watch.counts(), watch.added());
        return end(
                run, report, watch.added() + merged.added(), report.finished() ? "finished a scan" : "stopped a scan");
    }

    private Step<ScanSession> unpack(WorkRun<ScanSession> run, String from, Path folder, Source source)
            throws IOException {
        ScanSession session = run.record();
        ScanReport report;
        try (InputStream in = Files.newInputStream(folder.resolve(SessionFiles.PACKED))) {
            report = session.isElsewhere()
                    ? SessionFile.unpackUnseen(in, from, folder, source.size())
                    : SessionFile.unpack(in, from, folder, source);
        }
        Catalogues.Merged merged = join(run, folder, report, new ScanView.Counts(), 0);
        return end(run, report, merged.added(), "brought a session in");
    }

    /**
     * Brings all that was found into the catalogue, which says how far it is and what is new.
     *
     * @param before lines that came in while it was looked for
     */
    private Catalogues.Merged join(
            WorkRun<ScanSession> run, Path folder, ScanReport report, ScanView.Counts counts, long before)
            throws IOException {
        Consumer<Catalogues.Merged> tell = merged -> run.progress(s -> {
            s.progress("catalogue", merged.taken(), report.findings(), counts.nowhere(), null);
            s.brought(before + merged.added());
        });
        tell.accept(new Catalogues.Merged(0, 0));
        return catalogues.merge(
                run.number(), run.id(), run.record().imagingId(), folder.resolve("findings.ndjson"), merged -> {
                    tell.accept(merged);
                    happenings.changed(run.number(), Topic.CATALOGUE);
                });
    }

    private Step<ScanSession> end(WorkRun<ScanSession> run, ScanReport report, long added, String did) {
        long shared = Math.max(0, report.findings() - added);
        return Step.<ScanSession>to(s -> s.end(report.finished(), report, added, shared, run.now()))
                .told(
                        did,
                        "session " + run.id() + ", " + report.method().word() + ", " + report.findings() + " findings, "
                                + added + " new in the catalogue, "
                                + report.account().problems().size() + " problems")
                .also(() -> {
                    if (!run.record().early() && !run.record().isElsewhere()) {
                        cases.moveOn(run.number(), Stage.SCANNING, Stage.SELECTION, Happenings.MACHINE);
                    }
                    happenings.changed(run.number(), Topic.CATALOGUE);
                });
    }

    private OptionalDouble likeIt(ScanSession session, long bytes) {
        double[] perByte =
                sessions.findTop200ByStateAndMethodInOrderByIdDesc(WorkState.DONE, List.of(session.method())).stream()
                        .filter(s -> s.importedFrom() == null
                                && s.scope().search() == session.scope().search())
                        .flatMap(s -> s.report().stream())
                        .filter(r -> r.size() > bytes / MOST_UNLIKE && r.seconds() > 0)
                        .mapToDouble(r -> r.seconds() / r.size())
                        .sorted()
                        .toArray();
        return perByte.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(perByte[perByte.length / 2] * bytes);
    }

    private ScanWatch.Teller teller(WorkRun<ScanSession> run) {
        ScanSession session = run.record();
        return new ScanWatch.Teller() {
            @Override
            public void progressed(
                    String phase, long done, long all, ScanView.Counts counts, @Nullable Double secondsLeft) {
                run.progress(s -> s.progress(phase, done, all, counts, secondsLeft));
            }

            @Override
            public long bring(List<Finding> findings) throws IOException {
                long added = catalogues
                        .merge(run.number(), run.id(), session.imagingId(), findings)
                        .added();
                run.progress(s -> s.brought(s.added() + added));
                happenings.changed(run.number(), Topic.CATALOGUE);
                return added;
            }
        };
    }

    private Source open(ScanSession session, WorkRun<ScanSession> run) throws IOException {
        Path image = imaging.image(session.imagingId()).file();
        return imaging.isFilling(session.imagingId())
                ? Sources.openFilling(image, () -> !run.serverStops() && goesOn(run))
                : Sources.open(image.toString());
    }

    /** Asked while it waits for what the device has not given yet. */
    private boolean goesOn(WorkRun<ScanSession> run) {
        return run.fresh().asked() != Ask.STOP && imaging.isFilling(run.record().imagingId());
    }
}
