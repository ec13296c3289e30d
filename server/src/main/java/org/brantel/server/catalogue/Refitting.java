package org.brantel.server.catalogue;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Jobs;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;

/** Holds the findings of older cases against their wanted lines by the rules of today, once, after the start. */
@Configuration(proxyBeanMethods = false)
class Refitting {

    private final Cases cases;

    Refitting(Cases cases) {
        this.cases = cases;
    }

    @Bean
    OneTimeTask<Long> refitTask() {
        return Jobs.define("refit", (id, serverStops) -> cases.refit(id));
    }

    @Configuration(proxyBeanMethods = false)
    static class AtStart {

        private final Cases cases;
        private final Jobs jobs;
        private final OneTimeTask<Long> task;

        AtStart(Cases cases, Jobs jobs, @Qualifier("refitTask") OneTimeTask<Long> task) {
            this.cases = cases;
            this.jobs = jobs;
            this.task = task;
        }

        @EventListener(ApplicationReadyEvent.class)
        void start() {
            cases.toRefit().forEach(id -> jobs.start(task, id));
        }
    }
}
