package org.brantel.server.mail;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.customers.WayKind;
import org.brantel.server.delivery.Deliveries;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Paged;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.settings.LabSettings;
import org.brantel.server.triage.TriageService;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.data.domain.Pageable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tells customers what they agreed to be told, and keeps trying. */
@Service
public class Outbox {

    public record Message(
            long id,
            String caseNumber,
            @JsonUnwrapped Letter text,
            @JsonUnwrapped Sending sending) {

        /** @param letter which of the lab's letters it is */
        public record Letter(String letter, String recipient, String subject, String body) {}

        /**
         * How far it came.
         *
         * @param state queued, sent, failed, cancelled; {@code nextAt} when it is tried again
         */
        public record Sending(
                String state,
                int tries,
                @Nullable Instant nextAt,
                @Nullable String trouble,
                Instant queuedAt,
                @Nullable Instant sentAt) {}
    }

    /** What was done can be undone; nobody is told before that is unlikely. */
    private static final Duration THINKING_TIME = Duration.ofMinutes(2);

    private final Mails mails;
    private final MailRoute route;
    private final Letters letters;
    private final Cases cases;
    private final TriageService triage;
    private final Happenings happenings;
    private final Jobs jobs;
    private final OneTimeTask<Long> mailTask;
    private final Clock clock;

    Outbox(
            Mails mails,
            MailRoute route,
            Letters letters,
            Cases cases,
            TriageService triage,
            Happenings happenings,
            Jobs jobs,
            OneTimeTask<Long> mailTask,
            Clock clock) {
        this.mails = mails;
        this.route = route;
        this.letters = letters;
        this.cases = cases;
        this.triage = triage;
        this.happenings = happenings;
        this.jobs = jobs;
        this.mailTask = mailTask;
        this.clock = clock;
    }

    @EventListener
    void logged(Cases.Logged e) {
        queue(e.caseNumber(), "received", "", "", triage.stopRules(e.caseNumber()), THINKING_TIME);
    }

    @EventListener
    void takenBack(Cases.TakenBack e) {
        cancelNewest(e.caseNumber(), Set.of("received"));
    }

    @EventListener
    void decided(TriageService.Decided e) {
        queue(
                e.caseNumber(),
                // The case goes on when one of its devices is declined.
                e.path() == RecoveryPath.DECLINE && e.device() == null ? "declined" : "decided",
                e.device() == null ? e.label() : e.label() + " for " + e.device(),
                e.reason(),
                List.of(),
                THINKING_TIME);
    }

    @EventListener
    void undecided(TriageService.Undecided e) {
        // Only its own: the letter of the decision that stands again is right.
        cancelNewest(e.caseNumber(), Set.of("decided", "declined"));
    }

    private void cancelNewest(String number, Set<String> letters) {
        mails.findFirstByCaseNumberAndStateAndLetterInOrderByIdDesc(number, Mail.State.QUEUED, letters)
                .ifPresent(Mail::cancel);
    }

    @EventListener
    void sealed(Deliveries.Sealed e) {
        queue(e.caseNumber(), "ready", "", "", List.of(), Duration.ZERO);
    }

    private void queue(
            String number, String letter, String path, String reason, List<Ranking.Stop> stops, Duration delay) {
        CaseViews.Docket docket = cases.docket(number);
        String to = docket.said().customer().way(WayKind.EMAIL);
        if (!docket.said().consent().mail() || to.isEmpty()) {
            return;
        }
        LabSettings.Letter filled = letters.fill(letter, docket, path, reason, stops);
        Mail mail = mails.save(new Mail(number, letter, to, filled.subject(), filled.body(), clock.instant(), delay));
        jobs.startAt(mailTask, mail.id(), mail.nextAt());
        happenings.changed(number, Topic.MAIL);
    }

    /** Newest first; of one case, or of all. */
    @Transactional(readOnly = true)
    Paged<Message> messages(String number, int page) {
        Pageable at = Paged.at(page);
        return Paged.of(
                number.isEmpty() ? mails.findByOrderByIdDesc(at) : mails.findByCaseNumberOrderByIdDesc(number, at),
                Mail::view);
    }

    /** Messages that were tried to the end. */
    @Transactional(readOnly = true)
    public List<Message> failed() {
        return mails.findByStateOrderById(Mail.State.FAILED).stream()
                .map(Mail::view)
                .toList();
    }

    @Transactional
    void cancel(long id, String who) {
        Mail mail = find(id);
        if (mail.state() == Mail.State.SENT) {
            throw Refusal.conflict("This message has gone out; it cannot be held back any more.");
        }
        mail.cancel();
        happenings.tell(mail.caseNumber(), who, "held a message back", mail.letter(), Topic.MAIL);
    }

    @Transactional
    void retry(long id) {
        Mail mail = find(id);
        if (mail.state() == Mail.State.SENT) {
            throw Refusal.conflict("This message has gone out already.");
        }
        mail.retry(clock.instant());
        jobs.start(mailTask, id);
        happenings.changed(mail.caseNumber(), Topic.MAIL);
    }

    boolean hasRoute() {
        return route.isOpen();
    }

    private Mail find(long id) {
        return mails.findById(id).orElseThrow(() -> Refusal.missing("There is no message " + id + "."));
    }
}
