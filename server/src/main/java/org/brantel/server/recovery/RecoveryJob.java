package org.brantel.server.recovery;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.layout.LaidOut;
import org.brantel.core.opening.Sources;
import org.brantel.core.recovery.Recovery;
import org.brantel.core.recovery.RecoveryResult;
import org.brantel.core.source.Source;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.platform.Known;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Ticker;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.Labour;
import org.brantel.server.work.LongWork;
import org.brantel.server.work.Step;
import org.brantel.server.work.StopRequest;
import org.brantel.server.work.WorkRun;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/** Writes the selection from the image to the lab store. Stopped or killed, it goes on where it was. */
@Component
class RecoveryJob implements Labour<RecoveryRun> {

    private static final int BATCH = 50;

    private final RecoveryRuns runs;
    private final RecoveredFiles files;
    private final Catalogues catalogues;
    private final Layings layings;
    private final ImagingRecords imaging;
    private final Settings settings;

    RecoveryJob(
            RecoveryRuns runs,
            RecoveredFiles files,
            Catalogues catalogues,
            Layings layings,
            ImagingRecords imaging,
            Settings settings) {
        this.runs = runs;
        this.files = files;
        this.catalogues = catalogues;
        this.layings = layings;
        this.imaging = imaging;
        this.settings = settings;
    }

    /** The job. */
    @Configuration(proxyBeanMethods = false)
    static class Task {

        @Bean
        OneTimeTask<Long> recoveryTask(LongWork work, RecoveryJob job) {
            return work.define("recovery", job);
        }
    }

    @Override
    public String name() {
        return "recovery";
    }

    @Override
    public Topic topic() {
        return Topic.RECOVERY;
    }

    @Override
    public RecoveryRuns records() {
        return runs;
    }

    @Override
    public String consequence() {
        return "what was written stands, it can be resumed";
    }

    @Override
    public Step<RecoveryRun> work(WorkRun<RecoveryRun> run) throws IOException {
        Path folder = settings.labStore()
                .resolve(run.number())
                .resolve("run-" + run.id())
                .toAbsolutePath();
        // Of all images together, so that no two files meet under one name.
        Map<Long, LaidOut.Place> paths = layings.plan(run.number(), run.fresh().laying());
        run.progress(r -> {
            // What somebody gave up since the run was stopped is none of its files any more.
            files.deleteAll(files.findByRunIdOrderById(r.id()).stream()
                    .filter(f -> !paths.containsKey(f.lineId()))
                    .toList());
            r.runIn(folder.toString(), paths.size());
        });
        String stopped = write(run, folder, paths);
        if (run.serverStops() && stopped != null) {
            throw run.leave();
        }
        RecoveryViews.Run v = run.fresh().view(run.number());
        return Step.<RecoveryRun>to(r -> r.end(stopped, run.now()))
                .told(
                        stopped == null ? "finished recovery, read back and hashed again" : "paused recovery",
                        "run " + run.id() + ": " + v.outcome().whole() + " whole, "
                                + v.outcome().gapped() + " with gaps, "
                                + v.outcome().doubtful()
                                + " in doubt, " + v.outcome().notWritten() + " not written"
                                + (stopped == null ? "" : "; " + stopped));
    }

    /** @return why it stopped early, or null */
    private @Nullable String write(WorkRun<RecoveryRun> run, Path folder, Map<Long, LaidOut.Place> paths)
            throws IOException {
        Map<Long, List<Finding>> byImage = catalogues.selected(run.number()).stream()
                // What somebody chooses just now has no place in this run.
                .filter(chosen -> paths.containsKey(chosen.finding().id()))
                .collect(Collectors.groupingBy(
                        Catalogues.Selected::imagingId,
                        TreeMap::new,
                        Collectors.mapping(Catalogues.Selected::finding, Collectors.toList())));
        StopRequest stop = run.asked();
        for (Map.Entry<Long, List<Finding>> part : byImage.entrySet()) {
            Map<Long, Finding> findings = part.getValue().stream().collect(Collectors.toMap(Finding::id, f -> f));
            Pending pending = new Pending(run, part.getKey(), findings);
            try (Source image = Sources.open(imaging.image(part.getKey()).file().toString())) {
                Recovery.Outcome outcome = new Recovery(
                                image,
                                folder.resolve("files"),
                                folder.resolve("results-" + part.getKey() + ".ndjson"),
                                pending)
                        .run(part.getValue(), paths, stop);
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
        private final WorkRun<RecoveryRun> run;
        private final Long imagingId;
        private final Map<Long, Finding> findings;
        private final List<RecoveryResult> waiting = new ArrayList<>();
        private final Ticker ticker = new Ticker(300);

        Pending(WorkRun<RecoveryRun> run, Long imagingId, Map<Long, Finding> findings) {
            this.run = run;
            this.imagingId = imagingId;
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
            run.progress(r -> {
                for (RecoveryResult result : waiting) {
                    Finding finding = Known.in(findings, result.id());
                    RecoveredFile file = files.findByRunIdAndLineId(r.id(), finding.id())
                            .orElseGet(() -> new RecoveredFile(r.id(), imagingId, finding));
                    file.take(result, finding);
                    files.save(file);
                    r.count(result, finding.prognosis() == Prognosis.DOUBTFUL);
                }
            });
            waiting.clear();
        }
    }
}
