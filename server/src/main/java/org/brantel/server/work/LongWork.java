package org.brantel.server.work;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.function.BooleanSupplier;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Announcements;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Ticker;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes pieces of long work up, through, and to their end. */
@Component
public class LongWork {

    private static final Logger LOG = LoggerFactory.getLogger(LongWork.class);

    private final Cases cases;
    private final Happenings happenings;
    private final Announcements announcements;
    private final TransactionTemplate transaction;
    private final Clock clock;

    LongWork(
            Cases cases,
            Happenings happenings,
            Announcements announcements,
            TransactionTemplate transaction,
            Clock clock) {
        this.cases = cases;
        this.happenings = happenings;
        this.announcements = announcements;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** The job of a kind of work; must be a bean. */
    public <R extends WorkRecord> OneTimeTask<Long> define(String job, Labour<R> labour) {
        return Jobs.define(job, (id, serverStops) -> run(labour, id, serverStops));
    }

    private <R extends WorkRecord> void run(Labour<R> labour, long id, BooleanSupplier serverStops) throws IOException {
        R record = labour.records().findById(id).orElseThrow();
        if (!record.state().isAtWork()) {
            return;
        }
        String number = cases.number(record.caseId());
        Step<R> end;
        try {
            end = labour.work(new WorkRun<>(this, labour, record, number, serverStops));
        } catch (Ticker.ServerStops e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            LOG.error("{} {} of {} ended; {}", labour.name(), id, number, labour.consequence(), e);
            String why = String.valueOf(e.getMessage());
            end = Step.<R>to(r -> r.fail(why, clock.instant())).told(labour.name() + " failed", why);
        }
        if (end != null) {
            take(labour, id, number, end);
        }
    }

    <R extends WorkRecord> void take(Labour<R> labour, long id, String number, Step<R> step) {
        transaction.executeWithoutResult(t -> {
            step.take(labour.records().findById(id).orElseThrow());
            step.entries().forEach(e -> happenings.tell(number, Happenings.MACHINE, e.what(), e.detail()));
            step.announced().forEach(announcements::announce);
            happenings.changed(number, labour.topic());
        });
    }

    Instant now() {
        return clock.instant();
    }
}
