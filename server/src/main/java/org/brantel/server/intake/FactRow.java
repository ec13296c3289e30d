package org.brantel.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.brantel.server.protocol.LabProtocol;
import org.brantel.server.protocol.Said;
import org.jspecify.annotations.Nullable;

/** One statement, said or seen once. Never changed; only withdrawn when corrected. */
@Entity
@Table(name = "fact")
class FactRow {

    /** @param device that it is said of; null for all of the case */
    record Stated(
            String code,
            String value,
            Said source,
            @Nullable Long device) implements LabProtocol.Stated {}

    /** A value that a case has. */
    record Value(Long caseId, String value) {}

    /** When the facts of a case changed last. */
    record Changed(Long caseId, Instant at) {}

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private @Nullable Long deviceId;

    @Column(updatable = false)
    private String code;

    @Column(updatable = false)
    private String value;

    @Column(updatable = false)
    private Said source;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    @Column(updatable = false)
    private boolean measured;

    private boolean withdrawn;
    private @Nullable String withdrawnBy;
    private @Nullable Instant withdrawnAt;

    protected FactRow() {}

    FactRow(Long caseId, Stated fact, boolean measured, String who, Instant at) {
        this.caseId = caseId;
        this.deviceId = fact.device();
        this.code = fact.code();
        this.value = fact.value();
        this.source = fact.source();
        this.measured = measured;
        this.who = who;
        this.at = at;
    }

    void withdraw(String by, Instant when) {
        withdrawn = true;
        withdrawnBy = by;
        withdrawnAt = when;
    }

    Stated stated() {
        return new Stated(code, value, source, deviceId);
    }

    CaseViews.Fact view() {
        return new CaseViews.Fact(code, value, source, deviceId, measured, who, at);
    }

    CaseViews.Withdrawn withdrawnView() {
        return new CaseViews.Withdrawn(view(), withdrawnBy, withdrawnAt);
    }

    long id() {
        return id;
    }

    boolean isWithdrawn() {
        return withdrawn;
    }

    Long caseId() {
        return caseId;
    }
}
