package org.brantel.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import org.brantel.core.layout.NameRules;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.platform.Refusal;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "lab_case")
class LabCase {

    /** A case that is over, and since when. */
    record Ended(Long id, @Nullable RecoveryPath path, Stage stage, Instant at) {}

    /** By what others name a case. */
    record Key(long id, String number, int version) {}

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private String number;

    private String customerName;
    private String contactPerson;
    private Long customerId;
    private @Nullable LocalDate deadline;

    @Enumerated(EnumType.STRING)
    private @Nullable NameRules opensOn;

    private String consentLook;
    private String consentTold;
    private boolean consentMail;
    private boolean termsRead;
    private String story;

    @Enumerated(EnumType.STRING)
    private Stage stage;

    private Instant stageSince;
    private @Nullable String holdReason;
    private @Nullable LocalDate holdUntil;

    @Enumerated(EnumType.STRING)
    private @Nullable Stage holdFrom;

    private String owner;
    private @Nullable String ownerLogin;
    private @Nullable RecoveryPath path;
    private @Nullable String pathReason;
    private @Nullable String protocol;
    private boolean refit;
    private boolean takenBack;
    private @Nullable LocalDate waitsUntil;

    @Column(updatable = false)
    private @Nullable Long untoldDevice;

    @Column(updatable = false)
    private Instant createdAt;

    @Version
    private int version;

    protected LabCase() {}

    /** What else a row has is set before it is saved. */
    @SuppressWarnings("NullAway.Init")
    LabCase(String number, Staff.Person owner, Instant createdAt) {
        this.number = number;
        handTo(owner);
        this.stage = Stage.RECEIVED;
        this.createdAt = createdAt;
        this.stageSince = createdAt;
    }

    void describe(CaseForm form, long customer) {
        isOf(customer, form.customer().name());
        contactPerson = form.contactPerson().strip();
        story = form.story().strip();
        deadline = form.deadline();
        opensOn = form.opensOn();
        consentLook = form.consent().look();
        consentTold = form.consent().told().strip();
        consentMail = form.consent().mail();
        termsRead = form.consent().termsRead();
    }

    void isOf(long customer, String name) {
        customerId = customer;
        customerName = name.strip();
    }

    void decide(@Nullable RecoveryPath newPath, @Nullable String reason, @Nullable String protocolVersion) {
        path = newPath;
        pathReason = reason;
        protocol = protocolVersion;
    }

    void moveTo(Stage newStage, Instant at) {
        stage = newStage;
        stageSince = at;
        if (newStage != Stage.ON_HOLD) {
            holdReason = null;
            holdUntil = null;
            holdFrom = null;
        }
    }

    void hold(String reason, LocalDate until, Instant at) {
        if (stage != Stage.ON_HOLD) {
            holdFrom = stage;
            moveTo(Stage.ON_HOLD, at);
        }
        holdReason = reason;
        holdUntil = until;
    }

    /** Its work went on while it is on hold; it is taken up there. */
    void waitIn(Stage worked) {
        holdFrom = worked;
    }

    /** Its findings were held against its wanted lines by the rules of today. */
    void refitted() {
        refit = false;
    }

    /** The day on which somebody else's word is due, which is its clock meanwhile; null where nobody else has it. */
    @Nullable
    LocalDate waitsUntil() {
        return waitsUntil;
    }

    void waitsUntil(@Nullable LocalDate day) {
        waitsUntil = day;
    }

    /** The device that keys of its catalogue do not name; none in cases of after devices were told apart. */
    @Nullable
    Long untoldDevice() {
        return untoldDevice;
    }

    /** It was logged by mistake: it is closed and never was a case. */
    void takeBack() {
        takenBack = true;
    }

    void handTo(Staff.Person newOwner) {
        owner = newOwner.name();
        ownerLogin = newOwner.login();
    }

    /** @throws Refusal when somebody changed the case since it was seen in a version */
    void expect(@Nullable Integer seen) {
        if (seen == null || seen != version) {
            throw Refusal.conflict("Somebody else changed " + number + " since you opened it; nothing of yours was "
                    + "saved. What you typed is still here: look at the new state, then save again.");
        }
    }

    long id() {
        return id;
    }

    String number() {
        return number;
    }

    Stage stage() {
        return stage;
    }

    int version() {
        return version;
    }

    long customerId() {
        return customerId;
    }

    String customerName() {
        return customerName;
    }

    String contactPerson() {
        return contactPerson;
    }

    @Nullable
    LocalDate deadline() {
        return deadline;
    }

    @Nullable
    NameRules opensOn() {
        return opensOn;
    }

    void allow(String look) {
        consentLook = look;
    }

    CaseForm.Consent consent() {
        return new CaseForm.Consent(consentLook, consentTold, consentMail, termsRead);
    }

    Instant stageSince() {
        return stageSince;
    }

    /** Null unless it is on hold. */
    CaseViews.@Nullable Hold hold() {
        return stage == Stage.ON_HOLD && holdReason != null && holdUntil != null
                ? new CaseViews.Hold(holdReason, holdUntil, heldFrom())
                : null;
    }

    /** Where it stood before it was held; at the counter again when nothing says so. */
    Stage heldFrom() {
        return holdFrom == null ? Stage.RECEIVED : holdFrom;
    }

    String story() {
        return story;
    }

    CaseViews.Owner owner() {
        return new CaseViews.Owner(ownerLogin, owner);
    }

    @Nullable
    RecoveryPath path() {
        return path;
    }

    @Nullable
    String pathReason() {
        return pathReason;
    }

    @Nullable
    String protocol() {
        return protocol;
    }

    Instant createdAt() {
        return createdAt;
    }
}
