package org.brantel.server.recovery;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.recovery.Recovery;
import org.brantel.core.recovery.RecoveryResult;
import org.brantel.core.source.Source;
import org.brantel.core.source.Sources;
import org.brantel.server.bench.Bench;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Events;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.StopRequest;
import org.brantel.server.platform.Ticker;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.transaction.support.TransactionTemplate;

/** Writes the selection from the image to the lab store. Stopped or killed, it goes on where it was. */
@Configuration(proxyBeanMethods = false)
class RecoveryJob {

    private static final Logger LOG = LoggerFactory.getLogger(RecoveryJob.class);
    private static final int BATCH = 50;

    private final RecoveryRuns runs;
    private final RecoveredFiles files;
    private final Catalogues catalogues;
    private final Bench bench;
    private final Cases cases;
    private final CustodyService custody;
    private final Events events;
    private final Settings settings;
    private final TransactionTemplate transaction;
    private final Clock clock;

    RecoveryJob(
            RecoveryRuns runs,
            RecoveredFiles files,
            Catalogues catalogues,
            Bench bench,
            Cases cases,
            CustodyService custody,
            Events events,
            Settings settings,
            TransactionTemplate transaction,
            Clock clock) {
        this.runs = runs;
        this.files = files;
        this.catalogues = catalogues;
        this.bench = bench;
        this.cases = cases;
        this.custody = custody;
        this.events = events;
        this.settings = settings;
        this.transaction = transaction;
        this.clock = clock;
    }

    @Bean
    OneTimeTask<Long> recoveryTask() {
        return Jobs.define("recovery", this::run);
    }

    private void run(long id, BooleanSupplier serverStops) throws IOException {
        RecoveryRun run = runs.findById(id).orElseThrow();
        if (run.state() != RecoveryRun.State.WAITING && run.state() != RecoveryRun.State.RUNNING) {
            return;
        }
        String number = cases.number(run.caseId());
        Path folder = settings.labStore().resolve(number).resolve("run-" + id).toAbsolutePath();
        transaction.executeWithoutResult(t -> runs.findById(id).orElseThrow().run(folder.toString()));
        try {
            String stopped = write(id, number, folder, serverStops);
            if (serverStops.getAsBoolean() && stopped != null) {
                throw new Ticker.ServerStops("recovery run " + id);
            }
            transaction.executeWithoutResult(t -> {
                RecoveryRun done = runs.findById(id).orElseThrow();
                done.end(stopped == null ? RecoveryRun.State.DONE : RecoveryRun.State.PAUSED, stopped, clock.instant());
                RecoveryViews.Run v = done.view(number);
                custody.record(
                        number,
                        CustodyService.MACHINE,
                        stopped == null ? "finished recovery, read back and hashed again" : "paused recovery",
                        "run " + id + ": " + v.whole() + " whole, " + v.gapped() + " with gaps, " + v.doubtful()
                                + " in doubt, " + v.notWritten() + " not written"
                                + (stopped == null ? "" : "; " + stopped));
                events.changed(number, "recovery");
            });
        } catch (Ticker.ServerStops e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            LOG.error("Recovery run {} of {} ended; what was written stands, it can be resumed", id, number, e);
            transaction.executeWithoutResult(t -> {
                runs.findById(id).orElseThrow().end(RecoveryRun.State.FAILED, e.getMessage(), clock.instant());
                custody.record(number, CustodyService.MACHINE, "recovery failed", String.valueOf(e.getMessage()));
                events.changed(number, "recovery");
            });
        }
    }

    /** @return why it stopped early, or null */
    private String write(long id, String number, Path folder, BooleanSupplier serverStops) throws IOException {
        Map<Long, List<Finding>> byImage = catalogues.selected(number).stream()
                .collect(Collectors.groupingBy(
                        Catalogues.Selected::imagingId,
                        TreeMap::new,
                        Collectors.mapping(Catalogues.Selected::finding, Collectors.toList())));
        StopRequest stop = new StopRequest(
                serverStops, () -> runs.findById(id).map(r -> r.asked() != null).orElse(true));
        int images = 0;
        for (Map.Entry<Long, List<Finding>> part : byImage.entrySet()) {
            // Files of a second image of the same case get a folder of their own, so that names cannot meet.
            String name = images++ == 0 ? "files" : "files/image " + images;
            Map<Long, Finding> findings = part.getValue().stream().collect(Collectors.toMap(Finding::id, f -> f));
            Pending pending = new Pending(id, number, findings);
            try (Source image = Sources.open(bench.image(part.getKey()).file().toString())) {
                Recovery.Outcome outcome = new Recovery(
                                image,
                                folder.resolve(name),
                                folder.resolve("results-" + part.getKey() + ".ndjson"),
                                pending)
                        .run(part.getValue(), stop);
                pending.flush();
                if (outcome.stoppedBecause() != null) {
                    return outcome.stoppedBecause();
                }
            }
        }
        return null;
    }

    /** Brings results to the records in batches. */
    private final class Pending implements Recovery.Listener {
        private final long id;
        private final String number;
        private final Map<Long, Finding> findings;
        private final List<RecoveryResult> waiting = new ArrayList<>();
        private final Ticker ticker = new Ticker(300);

        Pending(long id, String number, Map<Long, Finding> findings) {
            this.id = id;
            this.number = number;
            this.findings = findings;
        }

        @Override
        public void done(RecoveryResult result, int done, int all) {
            waiting.add(result);
            if (waiting.size() >= BATCH || ticker.due()) {
                flush();
            }
        }

        void flush() {
            transaction.executeWithoutResult(t -> {
                RecoveryRun run = runs.findById(id).orElseThrow();
                for (RecoveryResult result : waiting) {
                    Finding finding = findings.get(result.id());
                    RecoveredFile file = files.findByRunIdAndLineId(id, finding.id())
                            .orElseGet(() -> new RecoveredFile(id, finding));
                    file.take(result, finding);
                    files.save(file);
                    run.count(result, finding.prognosis() == Prognosis.DOUBTFUL);
                }
                events.changed(number, "recovery");
            });
            waiting.clear();
        }
    }
}
