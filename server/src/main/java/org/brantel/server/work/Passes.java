package org.brantel.server.work;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.time.Clock;
import java.time.Instant;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.springframework.stereotype.Component;

/** Begins and pauses passes that people ask for, one of a kind at a time in a case; within a transaction. */
@Component
public class Passes {

    /**
     * A kind of pass.
     *
     * @param save  keeps a record
     * @param doing what it does, as in "reading words"
     */
    public record Kind<R extends PassRecord>(
            PassRuns<R> runs, UnaryOperator<R> save, String doing, Topic topic, OneTimeTask<Long> task) {}

    private final Cases cases;
    private final Happenings happenings;
    private final Jobs jobs;
    private final Clock clock;

    Passes(Cases cases, Happenings happenings, Jobs jobs, Clock clock) {
        this.cases = cases;
        this.happenings = happenings;
        this.jobs = jobs;
        this.clock = clock;
    }

    /** Of which case, when it begins: makes its record. */
    public interface Fresh<R> extends BiFunction<Long, Instant, R> {}

    public <R extends PassRecord> void begin(Kind<R> kind, String number, String who, Fresh<R> fresh) {
        long caseId = cases.id(number);
        kind.runs()
                .findFirstByCaseIdOrderByIdDesc(caseId)
                .filter(r -> r.state().isAtWork())
                .ifPresent(r -> {
                    throw Refusal.conflict("In " + number + " somebody is " + kind.doing() + " already.");
                });
        R run = kind.save().apply(fresh.apply(caseId, clock.instant()));
        happenings.tell(number, who, "began " + kind.doing(), "run " + run.id(), kind.topic());
        jobs.start(kind.task(), run.id());
    }

    public <R extends PassRecord> void pause(Kind<R> kind, String number, String who) {
        R run = kind.runs()
                .findFirstByCaseIdOrderByIdDesc(cases.id(number))
                .filter(r -> r.state().isAtWork())
                .orElseThrow(() -> Refusal.conflict("Nobody is " + kind.doing() + ", so there is nothing to pause."));
        run.ask(Ask.PAUSE);
        happenings.tell(number, who, "asked to pause " + kind.doing(), "run " + run.id(), kind.topic());
    }
}
