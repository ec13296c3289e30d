package org.brantel.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.brantel.server.protocol.Said;
import org.jspecify.annotations.Nullable;

/** One statement, said or seen once. Never changed; only withdrawn when corrected. */
@Entity
@Table(name = "fact")
class FactRow {

    /** When the facts of a case changed last. */
    record Changed(Long caseId, Instant at) {}

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

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

    FactRow(Long caseId, CaseForm.Fact fact, boolean measured, String who, Instant at) {
        this.caseId = caseId;
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

    CaseForm.Fact stated() {
        return new CaseForm.Fact(code, value, source);
    }

    CaseViews.Fact view() {
        return new CaseViews.Fact(code, value, source, measured, who, at);
    }

    CaseViews.Withdrawn withdrawnView() {
        return new CaseViews.Withdrawn(view(), withdrawnBy, withdrawnAt);
    }

    Long caseId() {
        return caseId;
    }
}
