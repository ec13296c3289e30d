package org.brantel.server.closing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.brantel.server.intake.Stage;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** That a case was closed, and how; the newest that was not taken back counts, while the case is closed. */
@Entity
@Table(name = "case_closing")
class ClosingRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    @Enumerated(EnumType.STRING)
    private Outcome outcome;

    @Column(updatable = false)
    private String words;

    @Column(updatable = false)
    @Enumerated(EnumType.STRING)
    private Stage stageBefore;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    private @Nullable Instant takenBackAt;

    protected ClosingRow() {}

    ClosingRow(long caseId, ClosingViews.Closed closed, Stage stageBefore) {
        this.caseId = caseId;
        this.outcome = closed.outcome();
        this.words = closed.words();
        this.stageBefore = stageBefore;
        this.who = closed.who();
        this.at = closed.at();
    }

    void takeBack(Instant when) {
        takenBackAt = when;
    }

    Long caseId() {
        return caseId;
    }

    Stage stageBefore() {
        return stageBefore;
    }

    ClosingViews.Closed view() {
        return new ClosingViews.Closed(outcome, words, who, at);
    }
}

interface ClosingRows extends JpaRepository<ClosingRow, Long> {

    Optional<ClosingRow> findFirstByCaseIdAndTakenBackAtIsNullOrderByIdDesc(Long caseId);

    @Query("select r from ClosingRow r where r.id in (select max(x.id) from ClosingRow x where x.caseId in ?1 and "
            + "x.takenBackAt is null group by x.caseId)")
    List<ClosingRow> findNewest(Collection<Long> caseIds);
}
