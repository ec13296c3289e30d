package org.brantel.server.mail;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;

/** One message of the outbox. */
@Entity
@Table(name = "mail")
class Mail {

    enum State {
        QUEUED,
        SENT,
        FAILED,
        CANCELLED
    }

    /** How long to wait after each try that did not go through; after the last one a person is asked. */
    static final List<Duration> WAITS = List.of(
            Duration.ofSeconds(30),
            Duration.ofMinutes(2),
            Duration.ofMinutes(10),
            Duration.ofMinutes(30),
            Duration.ofHours(2),
            Duration.ofHours(6),
            Duration.ofHours(12));

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private String caseNumber;

    @Column(updatable = false)
    private String letter;

    @Column(updatable = false)
    private String recipient;

    @Column(updatable = false)
    private String subject;

    @Column(updatable = false)
    private String body;

    @Enumerated(EnumType.STRING)
    private State state;

    private int tries;
    private Instant nextAt;
    private @Nullable String trouble;

    @Column(updatable = false)
    private Instant queuedAt;

    private @Nullable Instant sentAt;

    protected Mail() {}

    Mail(
            String caseNumber,
            String letter,
            String recipient,
            String subject,
            String body,
            Instant queuedAt,
            Duration delay) {
        this.caseNumber = caseNumber;
        this.letter = letter;
        this.recipient = recipient;
        this.subject = subject;
        this.body = body;
        this.state = State.QUEUED;
        this.queuedAt = queuedAt;
        this.nextAt = queuedAt.plus(delay);
    }

    void sent(Instant at) {
        state = State.SENT;
        sentAt = at;
        tries++;
        trouble = null;
    }

    void notSent(String why, Instant at) {
        trouble = why;
        if (tries < WAITS.size()) {
            nextAt = at.plus(WAITS.get(tries));
        } else {
            state = State.FAILED;
        }
        tries++;
    }

    void cancel() {
        state = State.CANCELLED;
    }

    void retry(Instant at) {
        state = State.QUEUED;
        tries = 0;
        nextAt = at;
    }

    /** Whether it is to go out now; it may have been held back, or put off, since its job was handed over. */
    boolean isDue(Instant now) {
        return state == State.QUEUED && !nextAt.isAfter(now);
    }

    Instant nextAt() {
        return nextAt;
    }

    long id() {
        return id;
    }

    String caseNumber() {
        return caseNumber;
    }

    String letter() {
        return letter;
    }

    State state() {
        return state;
    }

    String recipient() {
        return recipient;
    }

    String subject() {
        return subject;
    }

    String body() {
        return body;
    }

    Outbox.Message view() {
        return new Outbox.Message(
                id,
                caseNumber,
                new Outbox.Message.Letter(letter, recipient, subject, body),
                new Outbox.Message.Sending(
                        state.name().toLowerCase(Locale.ROOT),
                        tries,
                        state == State.QUEUED ? nextAt : null,
                        trouble,
                        queuedAt,
                        sentAt));
    }
}

interface Mails extends JpaRepository<Mail, Long> {

    Page<Mail> findByOrderByIdDesc(Pageable page);

    Page<Mail> findByCaseNumberOrderByIdDesc(String caseNumber, Pageable page);

    Optional<Mail> findFirstByCaseNumberAndStateAndLetterInOrderByIdDesc(
            String caseNumber, Mail.State state, Collection<String> letters);

    List<Mail> findByStateOrderById(Mail.State state);
}
