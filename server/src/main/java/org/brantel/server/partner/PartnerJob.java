package org.brantel.server.partner;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.brantel.server.intake.OfDevices;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** One device at a partner's, from the day that it is sent. */
@Entity
@Table(name = "partner_job")
class PartnerJob {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private Long deviceId;

    @Column(updatable = false)
    private String partner;

    private LocalDate expected;
    private boolean toCheck;
    private boolean takenBack;

    @Column(updatable = false)
    private LocalDate sentOn;

    @Column(updatable = false)
    private String parcel;

    @Column(updatable = false)
    private String conditionSent;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    private @Nullable LocalDate quotedOn;
    private long quoteHundredths;
    private String quoteWords;
    private @Nullable LocalDate answeredOn;
    private @Nullable Boolean approved;
    private String answeredBy;
    private @Nullable LocalDate backOn;
    private String conditionBack;
    private String done;
    private long costHundredths;
    private String serialBack;

    @Version
    private int version;

    protected PartnerJob() {}

    PartnerJob(long caseId, long deviceId, String partner, PartnerViews.Sent sent, LocalDate expected) {
        this.caseId = caseId;
        this.deviceId = deviceId;
        this.partner = partner;
        this.expected = expected;
        this.sentOn = sent.on();
        this.parcel = sent.parcel();
        this.conditionSent = sent.condition();
        this.who = sent.who();
        this.at = sent.at();
        this.quoteWords = "";
        this.answeredBy = "";
        this.conditionBack = "";
        this.done = "";
        this.serialBack = "";
    }

    void quote(PartnerViews.Quote quote) {
        quotedOn = quote.on();
        quoteHundredths = quote.hundredths();
        quoteWords = quote.words();
    }

    /** @param next the day on which the partner's next word is due */
    void answer(PartnerViews.Answer answer, LocalDate next) {
        answeredOn = answer.on();
        answeredBy = answer.by();
        approved = answer.approved();
        expected = next;
    }

    void back(PartnerViews.Back back) {
        backOn = back.on();
        conditionBack = back.condition();
        done = back.done();
        costHundredths = back.hundredths();
        serialBack = back.serial();
        toCheck = true;
    }

    /** Somebody looked at it on the bench since it is back. */
    void check() {
        toCheck = false;
    }

    /** What was noted last was noted by mistake; a job of which nothing is left never was one. */
    void takeLastBack() {
        switch (step()) {
            case SENT -> takenBack = true;
            case QUOTED -> quotedOn = null;
            case APPROVED, REFUSED -> {
                answeredOn = null;
                approved = null;
            }
            case BACK -> {
                backOn = null;
                toCheck = false;
            }
        }
    }

    PartnerViews.Step step() {
        if (backOn != null) {
            return PartnerViews.Step.BACK;
        }
        if (approved != null) {
            return approved ? PartnerViews.Step.APPROVED : PartnerViews.Step.REFUSED;
        }
        return quotedOn == null ? PartnerViews.Step.SENT : PartnerViews.Step.QUOTED;
    }

    /** The day of the step that was noted last. */
    LocalDate lastOn() {
        return Stream.of(backOn, answeredOn, quotedOn, sentOn)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(sentOn);
    }

    boolean isOut() {
        return backOn == null && !takenBack;
    }

    long id() {
        return id;
    }

    Long caseId() {
        return caseId;
    }

    Long deviceId() {
        return deviceId;
    }

    String partner() {
        return partner;
    }

    LocalDate expected() {
        return expected;
    }

    boolean isToCheck() {
        return toCheck;
    }

    PartnerViews.Job view() {
        return new PartnerViews.Job(
                id,
                deviceId,
                partner,
                step(),
                expected,
                toCheck,
                new PartnerViews.Sent(sentOn, parcel, conditionSent, who, at),
                quotedOn == null ? null : new PartnerViews.Quote(quotedOn, quoteHundredths, quoteWords),
                answeredOn == null
                        ? null
                        : new PartnerViews.Answer(answeredOn, Boolean.TRUE.equals(approved), answeredBy),
                backOn == null ? null : new PartnerViews.Back(backOn, conditionBack, done, costHundredths, serialBack));
    }
}

interface PartnerJobs extends JpaRepository<PartnerJob, Long>, OfDevices {

    @Override
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query("update PartnerJob r set r.caseId = ?2 where r.deviceId = ?1")
    void give(long device, long caseId);

    List<PartnerJob> findByCaseIdAndTakenBackFalseOrderByIdDesc(Long caseId);

    /** The devices of these cases that have a job, or had one. */
    @Query("select distinct j.deviceId from PartnerJob j where j.caseId in ?1 and j.takenBack = false")
    Set<Long> findDevices(Collection<Long> caseIds);

    /** Jobs of all cases that somebody has to do something about. */
    @Query(
            "select j from PartnerJob j where j.takenBack = false and (j.backOn is null or j.toCheck = true) order by j.id")
    List<PartnerJob> findPending();

    Optional<PartnerJob> findByIdAndCaseIdAndTakenBackFalse(Long id, Long caseId);
}
