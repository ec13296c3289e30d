package org.brantel.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** When a case came to a stage. */
@Entity
@Table(name = "case_stage")
class StageRow {

    /** That a case came to a stage. */
    record Visit(Long caseId, Stage stage, Instant at) {}

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    @Enumerated(EnumType.STRING)
    private Stage stage;

    @Column(updatable = false)
    private Instant at;

    @Column(updatable = false)
    private String who;

    protected StageRow() {}

    StageRow(Long caseId, Stage stage, Instant at, String who) {
        this.caseId = caseId;
        this.stage = stage;
        this.at = at;
        this.who = who;
    }

    Stage stage() {
        return stage;
    }

    Instant at() {
        return at;
    }

    CaseViews.StageVisit view() {
        return new CaseViews.StageVisit(stage, at, who);
    }
}
