package org.brantel.server.platform;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.Serializable;
import java.time.Clock;
import java.time.Duration;
import java.util.UUID;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * What happened is told to its listeners surely: each telling is a job of its own, handed over in the transaction of what
 * happened, and told again when the server goes before the listener was through. A listener may therefore hear the same
 * twice.
 */
@Component
public class Announcements {

    /** Who is to hear it, by class, and what. */
    record Telling(String listener, Serializable event) implements Serializable {}

    /** Hears of events of one type, on a thread of its own. */
    public interface Listener<E extends Serializable> {

        Class<E> of();

        /** What it throws is logged, and told again a second later. */
        void hear(E event);
    }

    private final ObjectProvider<SchedulerClient> scheduler;
    private final ObjectProvider<Listener<?>> listeners;
    private final OneTimeTask<Telling> task;
    private final Clock clock;

    Announcements(
            ObjectProvider<SchedulerClient> scheduler,
            ObjectProvider<Listener<?>> listeners,
            OneTimeTask<Telling> announcementTask,
            Clock clock) {
        this.scheduler = scheduler;
        this.listeners = listeners;
        this.task = announcementTask;
        this.clock = clock;
    }

    /** Only within the transaction of what happened. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void announce(Serializable event) {
        listeners.orderedStream().filter(l -> l.of().isInstance(event)).forEach(l -> scheduler
                .getObject()
                .scheduleIfNotExists(
                        task.instance(
                                UUID.randomUUID().toString(),
                                new Telling(l.getClass().getName(), event)),
                        clock.instant()));
    }

    /** The job. */
    @Configuration(proxyBeanMethods = false)
    static class Task {

        @Bean
        OneTimeTask<Telling> announcementTask(ObjectProvider<Listener<?>> listeners) {
            return Tasks.oneTime("announcement", Telling.class)
                    .onFailure(new FailureHandler.OnFailureRetryLater<>(Duration.ofSeconds(1)))
                    .execute((instance, context) -> tell(listeners, instance.getData()));
        }

        /** A listener that is no longer there in a newer version has nothing to hear. */
        private static void tell(ObjectProvider<Listener<?>> listeners, Telling telling) {
            listeners
                    .orderedStream()
                    .filter(l -> l.getClass().getName().equals(telling.listener()))
                    .forEach(l -> hear(l, telling.event()));
        }

        private static <E extends Serializable> void hear(Listener<E> listener, Serializable event) {
            listener.hear(listener.of().cast(event));
        }
    }
}
