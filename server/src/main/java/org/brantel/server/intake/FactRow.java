package org.brantel.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** One statement, said or seen once. Never changed; only withdrawn when corrected. */
@Entity
@Table(name = "fact")
class FactRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    @Column(updatable = false)
    private Long caseId;
    @Column(updatable = false)
    private String code;
    @Column(updatable = false)
    private String value;
    @Column(updatable = false)
    private String source;
    @Column(updatable = false)
    private String who;
    @Column(updatable = false)
    private Instant at;
    private boolean withdrawn;

    protected FactRow() { }

    FactRow(Long caseId, String code, String value, String source, String who, Instant at) {
        this.caseId = caseId;
        this.code = code;
        this.value = value;
        this.source = source;
        this.who = who;
        this.at = at;
    }

    void withdraw() {
        withdrawn = true;
    }

    CaseViews.Fact view() {
        return new CaseViews.Fact(code, value, source, who, at);
    }
}
