package org.brantel.server.scan;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.brantel.core.carve.SuggestedNames;
import org.brantel.core.estimate.TimeLeft;
import org.brantel.core.finding.Finding;
import org.brantel.core.scan.Scan;
import org.brantel.core.scan.ScanMethod;
import org.brantel.core.scan.ScanPlan;
import org.brantel.core.scan.ScanReport;
import org.brantel.core.scan.SessionFile;
import org.brantel.core.source.Source;
import org.brantel.core.source.Sources;
import org.brantel.server.bench.Bench;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Events;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.StopRequest;
import org.brantel.server.platform.Ticker;
import org.brantel.server.settings.LabSettings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Runs a scan session on the image and brings what it found into the catalogue. Killed, it starts anew: scans only
 * read.
 */
@Configuration(proxyBeanMethods = false)
class ScanJob {

    private static final Logger LOG = LoggerFactory.getLogger(ScanJob.class);
    /** A much smaller medium says little: what takes the same time on each is most of its. */
    private static final int MOST_UNLIKE = 10;

    private static final long PAUSE_NANOS = 200_000_000L;

    private final ScanSessions sessions;
    private final Bench bench;
    private final Catalogues catalogues;
    private final Cases cases;
    private final CustodyService custody;
    private final Events events;
    private final Settings settings;
    private final LabSettings lab;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final ApplicationEventPublisher publisher;

    ScanJob(
            ScanSessions sessions,
            Bench bench,
            Catalogues catalogues,
            Cases cases,
            CustodyService custody,
            Events events,
            Settings settings,
            LabSettings lab,
            TransactionTemplate transaction,
            Clock clock,
            ApplicationEventPublisher publisher) {
        this.sessions = sessions;
        this.bench = bench;
        this.catalogues = catalogues;
        this.cases = cases;
        this.custody = custody;
        this.events = events;
        this.settings = settings;
        this.lab = lab;
        this.transaction = transaction;
        this.clock = clock;
        this.publisher = publisher;
    }

    @Bean
    OneTimeTask<Long> scanTask() {
        return Jobs.define("scan", this::run);
    }

    private void run(long id, BooleanSupplier serverStops) throws IOException {
        ScanSession session = sessions.findById(id).orElseThrow();
        if (session.state() != ScanSession.State.WAITING && session.state() != ScanSession.State.RUNNING) {
            return;
        }
        String number = cases.number(session.caseId());
        Path folder = settings.scans().resolve(number).resolve("scan-" + id).toAbsolutePath();
        change(id, number, s -> s.run(folder.toString()));
        try (Source source = open(session, serverStops)) {
            if (session.importedFrom() == null) {
                scan(session, number, folder, source, serverStops);
            } else {
                unpack(session, number, folder, source);
            }
            if (session.early()) {
                publisher.publishEvent(new FirstScan.EarlyEnded(number, session.imagingId()));
            }
        } catch (Ticker.ServerStops e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            LOG.error("Scan session {} of {} ended; the image is untouched, start another scan", id, number, e);
            change(id, number, s -> s.fail(e.getMessage(), clock.instant()));
            custody.record(number, CustodyService.MACHINE, "a scan failed", String.valueOf(e.getMessage()));
        }
    }

    private void scan(ScanSession session, String number, Path folder, Source source, BooleanSupplier serverStops)
            throws IOException {
        long id = session.id();
        ScanPlan plan = ScanPlan.of(ScanMethod.ofWord(session.method()))
                .onVolume(session.scope().volume())
                .searching(session.scope().search())
                .naming(new SuggestedNames(lab.bench().namePattern()))
                .hashing(session.scope().hashes());
        ScanWatch watch = new ScanWatch(
                teller(session, number),
                new TimeLeft(plan.method().carves() ? "content" : "search", likeIt(session, source.size())),
                session.added());
        StopRequest stop = new StopRequest(serverStops, () -> stopAfterPauses(id, serverStops));
        ScanReport report = new Scan(
                        source,
                        plan.except(
                                session.scope().again()
                                        ? List.of()
                                        : sessions.carvedBefore(
                                                session.caseId(), session.imagingId(), plan, source.size())),
                        watch,
                        clock)
                .run(folder, stop);
        if (serverStops.getAsBoolean()) {
            throw new Ticker.ServerStops("scan session " + id);
        }
        change(id, number, s -> s.progress("catalogue", 0, report.findings(), watch.counts(), null));
        // All of them: what came in on the way may have been found a second time since.
        Catalogues.Merged merged = catalogues.merge(number, id, session.imagingId(), folder.resolve("findings.ndjson"));
        end(
                session,
                number,
                report,
                watch.added() + merged.added(),
                report.finished() ? "finished a scan" : "stopped a scan");
    }

    private void unpack(ScanSession session, String number, Path folder, Source source) throws IOException {
        ScanReport report;
        try (InputStream in = Files.newInputStream(folder.resolve(SessionFiles.PACKED))) {
            report = SessionFile.unpack(in, session.importedFrom(), folder, source);
        }
        Catalogues.Merged merged =
                catalogues.merge(number, session.id(), session.imagingId(), folder.resolve("findings.ndjson"));
        end(session, number, report, merged.added(), "brought a session in");
    }

    private void end(ScanSession session, String number, ScanReport report, long added, String did) {
        transaction.executeWithoutResult(t -> {
            sessions.findById(session.id())
                    .orElseThrow()
                    .end(report.finished(), report, added, Math.max(0, report.findings() - added), clock.instant());
            custody.record(
                    number,
                    CustodyService.MACHINE,
                    did,
                    "session " + session.id() + ", " + report.method() + ", " + report.findings() + " findings, "
                            + added + " new in the catalogue, "
                            + report.problems().size() + " problems");
            if (!session.early()) {
                cases.moveOn(number, Stage.SCANNING, Stage.SELECTION, CustodyService.MACHINE);
            }
            events.changed(number, "scan");
            events.changed(number, "catalogue");
        });
    }

    private OptionalDouble likeIt(ScanSession session, long bytes) {
        double[] perByte =
                sessions
                        .findTop200ByStateAndMethodInOrderByIdDesc(ScanSession.State.DONE, List.of(session.method()))
                        .stream()
                        .filter(s -> s.importedFrom() == null
                                && s.scope().search() == session.scope().search())
                        .flatMap(s -> s.report().stream())
                        .filter(r -> r.size() > bytes / MOST_UNLIKE && r.seconds() > 0)
                        .mapToDouble(r -> r.seconds() / r.size())
                        .sorted()
                        .toArray();
        return perByte.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(perByte[perByte.length / 2] * bytes);
    }

    private ScanWatch.Teller teller(ScanSession session, String number) {
        return new ScanWatch.Teller() {
            @Override
            public void progressed(String phase, long done, long all, ScanView.Counts counts, Double secondsLeft) {
                change(session.id(), number, s -> s.progress(phase, done, all, counts, secondsLeft));
            }

            @Override
            public long bring(List<Finding> findings) throws IOException {
                long added = catalogues
                        .merge(number, session.id(), session.imagingId(), findings)
                        .added();
                change(session.id(), number, s -> s.brought(s.added() + added));
                events.changed(number, "catalogue");
                return added;
            }
        };
    }

    private Source open(ScanSession session, BooleanSupplier serverStops) throws IOException {
        Path image = bench.image(session.imagingId()).file();
        return bench.isFilling(session.imagingId())
                ? Sources.openFilling(image, () -> !serverStops.getAsBoolean() && goesOn(session))
                : Sources.open(image.toString());
    }

    /** Asked while it waits for what the device has not given yet. */
    private boolean goesOn(ScanSession session) {
        boolean stopped = sessions.findById(session.id())
                .map(s -> ScanSession.STOP.equals(s.asked()))
                .orElse(true);
        return !stopped && bench.isFilling(session.imagingId());
    }

    /**
     * Rests here for as long as the session is asked to pause: the engine asks between two records and between two
     * blocks.
     */
    private boolean stopAfterPauses(long id, BooleanSupplier serverStops) {
        while (!serverStops.getAsBoolean()) {
            Optional<ScanSession> session = sessions.findById(id);
            if (session.isEmpty() || !ScanSession.PAUSE.equals(session.get().asked())) {
                return session.isEmpty() || session.get().asked() != null;
            }
            LockSupport.parkNanos(PAUSE_NANOS);
        }
        return true;
    }

    private void change(long id, String number, Consumer<ScanSession> how) {
        transaction.executeWithoutResult(t -> {
            how.accept(sessions.findById(id).orElseThrow());
            events.changed(number, "scan");
        });
    }
}
