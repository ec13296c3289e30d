package org.brantel.server.scan;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.brantel.core.finding.Finding;
import org.brantel.core.scan.Scan;
import org.brantel.core.scan.ScanListener;
import org.brantel.core.scan.ScanMethod;
import org.brantel.core.scan.ScanPlan;
import org.brantel.core.scan.ScanReport;
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
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.transaction.support.TransactionTemplate;

/** Runs a scan session on the image and brings what it found into the catalogue. Killed, it starts anew: scans only read. */
@Configuration(proxyBeanMethods = false)
class ScanJob {

    private static final Logger LOG = LoggerFactory.getLogger(ScanJob.class);
    private static final int EVERY_MILLIS = 300;
    private static final long PAUSE_NANOS = 200_000_000L;

    private final ScanSessions sessions;
    private final Bench bench;
    private final Catalogues catalogues;
    private final Cases cases;
    private final CustodyService custody;
    private final Events events;
    private final Settings settings;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final ApplicationEventPublisher publisher;

    ScanJob(ScanSessions sessions, Bench bench, Catalogues catalogues, Cases cases, CustodyService custody, Events events,
            Settings settings, TransactionTemplate transaction, Clock clock, ApplicationEventPublisher publisher) {
        this.sessions = sessions;
        this.bench = bench;
        this.catalogues = catalogues;
        this.cases = cases;
        this.custody = custody;
        this.events = events;
        this.settings = settings;
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
        ScanPlan plan = ScanPlan.of(ScanMethod.ofWord(session.method())).onVolume(session.scope().volume()).searching(session.scope().search()).hashing(true);
        try (Source source = open(session, serverStops)) {
            Watch watch = new Watch(id, number);
            StopRequest stop = new StopRequest(serverStops, () -> stopAfterPauses(id, serverStops));
            ScanReport report = new Scan(source, plan, watch, clock).run(folder, stop);
            if (serverStops.getAsBoolean()) {
                throw new Ticker.ServerStops("scan session " + id);
            }
            change(id, number, s -> s.progress("catalogue", 0, report.findings(), watch.counts));
            Catalogues.Merged merged = catalogues.merge(number, id, session.imagingId(), folder.resolve("findings.ndjson"));
            transaction.executeWithoutResult(t -> {
                sessions.findById(id).orElseThrow().end(report.finished(), report, merged.added(), merged.shared(), clock.instant());
                custody.record(number, CustodyService.MACHINE, report.finished() ? "finished a scan" : "stopped a scan",
                        "session " + id + ", " + report.method() + ", " + report.findings() + " findings, "
                                + merged.added() + " new in the catalogue, " + report.problems().size() + " problems");
                if (!session.early()) {
                    cases.moveTo(number, Stage.SELECTION, CustodyService.MACHINE);
                }
                events.changed(number, "scan");
            });
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

    private Source open(ScanSession session, BooleanSupplier serverStops) throws IOException {
        Path image = bench.image(session.imagingId()).file();
        return bench.isFilling(session.imagingId()) ? Sources.openFilling(image, () -> !serverStops.getAsBoolean() && goesOn(session))
                : Sources.open(image.toString());
    }

    /** Asked while it waits for what the device has not given yet. */
    private boolean goesOn(ScanSession session) {
        boolean stopped = sessions.findById(session.id()).map(s -> ScanSession.STOP.equals(s.asked())).orElse(true);
        return !stopped && bench.isFilling(session.imagingId());
    }

    /** Rests here for as long as the session is asked to pause: the engine asks between two records and between two blocks. */
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

    private final class Watch implements ScanListener {
        private final long id;
        private final String number;
        private final Ticker ticker = new Ticker(EVERY_MILLIS);
        private ScanView.Counts counts = new ScanView.Counts();

        Watch(long id, String number) {
            this.id = id;
            this.number = number;
        }

        @Override
        public void found(Finding finding) {
            counts = counts.with(finding);
        }

        @Override
        public void progressed(String phase, long done, long all) {
            if (ticker.due()) {
                change(id, number, s -> s.progress(phase, done, all, counts));
            }
        }
    }
}
