package org.brantel.server.recovery;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.core.finding.Prognosis;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.catalogue.ChosenBytes;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Known;
import org.brantel.server.platform.Paged;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.Ask;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Starts, pauses and resumes recovery runs. */
@Service
public class Recoveries {

    /** A run that went through, ready to be packed. */
    public record Finished(long runId, Path files, List<RecoveryViews.File> results) {}

    private final RecoveryRuns runs;
    private final RecoveredFiles files;
    private final Catalogues catalogues;
    private final ChosenBytes bytes;
    private final Cases cases;
    private final Happenings happenings;
    private final Jobs jobs;
    private final OneTimeTask<Long> recoveryTask;
    private final Clock clock;

    Recoveries(
            RecoveryRuns runs,
            RecoveredFiles files,
            Catalogues catalogues,
            ChosenBytes bytes,
            Cases cases,
            Happenings happenings,
            Jobs jobs,
            OneTimeTask<Long> recoveryTask,
            Clock clock) {
        this.runs = runs;
        this.files = files;
        this.catalogues = catalogues;
        this.bytes = bytes;
        this.cases = cases;
        this.happenings = happenings;
        this.jobs = jobs;
        this.recoveryTask = recoveryTask;
        this.clock = clock;
    }

    @Transactional
    public RecoveryViews.Run start(String number, RecoveryViews.Laying laying, String who) {
        long caseId = cases.id(number);
        if (runs.existsByCaseIdAndStateIn(caseId, WorkState.AT_WORK)) {
            throw Refusal.conflict("A recovery run of " + number + " is going on; wait for it.");
        }
        int selected = Math.toIntExact(catalogues.selectedCount(number));
        if (selected == 0) {
            throw Refusal.conflict("Nothing is selected; choose findings in the catalogue first.");
        }
        bytes.here(number);
        RecoveryRun run = runs.save(new RecoveryRun(caseId, selected, laying, who, clock.instant()));
        cases.moveTo(number, Stage.RECOVERY, who);
        happenings.tell(
                number,
                who,
                "started recovery",
                "run " + run.id() + ", " + selected + " findings, "
                        + laying.layout().word(),
                Topic.RECOVERY);
        jobs.start(recoveryTask, run.id());
        return run.view(number);
    }

    @Transactional
    RecoveryViews.Run pause(long id, String who) {
        RecoveryRun run = find(id);
        String number = cases.number(run.caseId());
        if (!run.state().isAtWork()) {
            throw Refusal.conflict("This run is not going on, so there is nothing to pause.");
        }
        run.ask(Ask.PAUSE);
        happenings.tell(number, who, "asked to pause recovery", "run " + id, Topic.RECOVERY);
        return run.view(number);
    }

    @Transactional
    RecoveryViews.Run resume(long id, String who) {
        RecoveryRun run = find(id);
        String number = cases.number(run.caseId());
        if (run.state().isAtWork() || run.state() == WorkState.DONE) {
            throw Refusal.conflict("This run is " + run.state().word() + "; there is nothing to resume.");
        }
        run.waitAgain();
        happenings.tell(number, who, "resumed recovery", "run " + id, Topic.RECOVERY);
        jobs.start(recoveryTask, id);
        return run.view(number);
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<RecoveryViews.Run> runs(String number) {
        return runs.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .map(r -> r.view(number))
                .toList();
    }

    /** The newest run of each of these cases that has one, by case number. */
    @Transactional(readOnly = true)
    public Map<String, RecoveryViews.Run> newest(Map<Long, String> cases) {
        return runs.findNewest(cases.keySet()).stream()
                .map(r -> r.view(Known.in(cases, r.caseId())))
                .collect(Collectors.toMap(RecoveryViews.Run::caseNumber, v -> v));
    }

    /** What became of the files of these runs, by the run's number. */
    @Transactional(readOnly = true)
    public Map<Long, RecoveryViews.Outcome> outcomes(Collection<Long> runIds) {
        return runs.findAllById(runIds).stream().collect(Collectors.toMap(RecoveryRun::id, RecoveryRun::outcome));
    }

    /** Of all cases. */
    @Transactional(readOnly = true)
    public List<RecoveryViews.Run> running() {
        return runs.findByStateInOrderById(WorkState.AT_WORK).stream()
                .map(r -> r.view(cases.number(r.caseId())))
                .toList();
    }

    /** What needs a look first: not written, with gaps, doubtful, whole; each by its path. */
    @Transactional(readOnly = true)
    Paged<RecoveryViews.File> files(long runId, int page) {
        return Paged.of(
                files.findWorstFirst(runId, Written.NOT_WRITTEN, Written.GAPPED, Prognosis.DOUBTFUL, Paged.at(page)),
                RecoveredFile::view);
    }

    @Transactional(readOnly = true)
    RecoveryViews.Account account(long runId) {
        Map<RecoveryViews.Result, Long> counts = new EnumMap<>(RecoveryViews.Result.class);
        files.countByOutcome(runId)
                .forEach(c -> counts.merge(RecoveryViews.Result.of(c.outcome(), c.prognosis()), c.files(), Long::sum));
        return new RecoveryViews.Account(
                counts.getOrDefault(RecoveryViews.Result.WHOLE, 0L),
                some(
                        counts,
                        RecoveryViews.Result.GAPPED,
                        files.findTop8ByRunIdAndOutcomeOrderByPath(runId, Written.GAPPED)),
                some(
                        counts,
                        RecoveryViews.Result.DOUBTFUL,
                        files.findTop8ByRunIdAndOutcomeAndPrognosisOrderByPath(
                                runId, Written.WHOLE, Prognosis.DOUBTFUL)),
                some(
                        counts,
                        RecoveryViews.Result.NOT_WRITTEN,
                        files.findTop8ByRunIdAndOutcomeOrderByPath(runId, Written.NOT_WRITTEN)));
    }

    private static RecoveryViews.Some some(
            Map<RecoveryViews.Result, Long> counts, RecoveryViews.Result of, List<RecoveredFile> first) {
        return new RecoveryViews.Some(
                counts.getOrDefault(of, 0L),
                first.stream().map(RecoveredFile::view).toList());
    }

    private List<RecoveryViews.File> all(long runId) {
        return files.findByRunIdOrderById(runId).stream()
                .map(RecoveredFile::view)
                .toList();
    }

    /**
     * The newest run, when it went through.
     *
     * @throws Refusal when there is none
     */
    @Transactional(readOnly = true)
    public Finished finished(String number) {
        RecoveryRun run = runs.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .findFirst()
                .filter(r -> r.state() == WorkState.DONE)
                .orElseThrow(() -> Refusal.conflict(
                        "There is no finished recovery run of " + number + "; recover the selection first."));
        return finished(run);
    }

    @Transactional(readOnly = true)
    public Finished finished(long runId) {
        return finished(find(runId));
    }

    private Finished finished(RecoveryRun run) {
        return new Finished(run.id(), Path.of(run.folder()).resolve("files"), all(run.id()));
    }

    private RecoveryRun find(long id) {
        return runs.findById(id).orElseThrow(() -> Refusal.missing("There is no recovery run " + id + "."));
    }
}
