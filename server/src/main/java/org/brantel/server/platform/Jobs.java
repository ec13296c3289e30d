package org.brantel.server.platform;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.function.BooleanSupplier;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/**
 * Long work as persisted jobs: each is a row of the same PostgreSQL, picked by one server process, kept alive by a
 * heartbeat, and picked up by another process, or by this one after a restart, when the heartbeat stops.
 */
@Component
public class Jobs {

    /** The work of a job. */
    public interface Work {
        /**
         * @param id   of the record that says what is to be done
         * @param stop true when the server is stopping
         */
        void run(long id, BooleanSupplier stop) throws IOException;
    }

    private final ObjectProvider<SchedulerClient> scheduler;
    private final Clock clock;

    Jobs(ObjectProvider<SchedulerClient> scheduler, Clock clock) {
        this.scheduler = scheduler;
        this.clock = clock;
    }

    /** Defines a kind of job; must be a bean. */
    public static OneTimeTask<Long> define(String name, Work work) {
        return Tasks.oneTime(name, Long.class)
                .onFailure(new FailureHandler.OnFailureRetryLater<>(Duration.ofSeconds(1)))
                .execute((instance, context) -> {
                    BooleanSupplier stop = () -> context.getSchedulerState().isShuttingDown();
                    try {
                        work.run(instance.getData(), stop);
                    } catch (IOException e) {
                        throw new IllegalStateException(name + " " + instance.getData() + ": " + e.getMessage(), e);
                    }
                });
    }

    /** Hands a job over; it starts when the surrounding transaction has committed. */
    public void start(OneTimeTask<Long> task, long id) {
        startAt(task, id, clock.instant());
    }

    /** The same for later. */
    public void startAt(OneTimeTask<Long> task, long id, Instant when) {
        String instance = id + "-" + when.toEpochMilli();
        scheduler.getObject().scheduleIfNotExists(task.instance(instance, id), when);
    }
}
