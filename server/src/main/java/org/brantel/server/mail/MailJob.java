package org.brantel.server.mail;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.time.Clock;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.mail.MailException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Sends one message when it is due, in no transaction: a mail server that is slow to answer holds nothing up. What came of
 * it is on record afterwards; a message that went out just before the server died may go out twice, never not at all.
 */
@Component
class MailJob {

    private static final Logger LOG = LoggerFactory.getLogger(MailJob.class);

    private final Mails mails;
    private final MailRoute route;
    private final Happenings happenings;
    private final Jobs jobs;
    private final ObjectProvider<OneTimeTask<Long>> mailTask;
    private final TransactionTemplate transaction;
    private final Clock clock;

    MailJob(
            Mails mails,
            MailRoute route,
            Happenings happenings,
            Jobs jobs,
            @Qualifier("mailTask") ObjectProvider<OneTimeTask<Long>> mailTask,
            TransactionTemplate transaction,
            Clock clock) {
        this.mails = mails;
        this.route = route;
        this.happenings = happenings;
        this.jobs = jobs;
        this.mailTask = mailTask;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** The job. */
    @Configuration(proxyBeanMethods = false)
    static class Task {

        @Bean
        OneTimeTask<Long> mailTask(MailJob job) {
            return Jobs.define("mail", (id, serverStops) -> job.send(id));
        }
    }

    /** Messages of a version that looked for due ones by itself. */
    @EventListener(ApplicationReadyEvent.class)
    void takeUp() {
        mails.findByStateOrderById(Mail.State.QUEUED)
                .forEach(m -> jobs.startAt(mailTask.getObject(), m.id(), m.nextAt()));
    }

    private void send(long id) {
        Mail mail = mails.findById(id).orElseThrow();
        if (!mail.isDue(clock.instant())) {
            return;
        }
        try {
            route.send(mail.recipient(), mail.subject(), mail.body());
        } catch (MailException e) {
            String why = Refusal.sentence(NestedExceptionUtils.getMostSpecificCause(e));
            LOG.warn("Message {} of {} did not go out and is tried again: {}", id, mail.caseNumber(), why);
            transaction.executeWithoutResult(t -> notSent(id, why));
            return;
        }
        transaction.executeWithoutResult(t -> sent(id));
    }

    private void sent(long id) {
        Mail mail = mails.findById(id).orElseThrow();
        mail.sent(clock.instant());
        happenings.tell(
                mail.caseNumber(),
                Happenings.MACHINE,
                "wrote to the customer",
                mail.letter() + ", to " + mail.recipient(),
                Topic.MAIL);
    }

    private void notSent(long id, String why) {
        Mail mail = mails.findById(id).orElseThrow();
        mail.notSent(why, clock.instant());
        if (mail.state() == Mail.State.QUEUED) {
            jobs.startAt(mailTask.getObject(), id, mail.nextAt());
        }
        happenings.changed(mail.caseNumber(), Topic.MAIL);
    }
}
