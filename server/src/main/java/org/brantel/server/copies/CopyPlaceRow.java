package org.brantel.server.copies;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;

/** What was found at one place; what was noted of it before is in the custody record. */
@Entity
@Table(name = "copy_place")
class CopyPlaceRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    @Enumerated(EnumType.STRING)
    private CopyPlace place;

    @Column(updatable = false)
    private String called;

    @Enumerated(EnumType.STRING)
    private Result result;

    private String lookedBy;
    private @Nullable LocalDate newest;
    private String opened;
    private Long[] covers;
    private String words;
    private String who;
    private Instant at;

    protected CopyPlaceRow() {}

    /** What else a row has is noted before it is saved. */
    @SuppressWarnings("NullAway.Init")
    CopyPlaceRow(long caseId, CopyPlace place, String called) {
        this.caseId = caseId;
        this.place = place;
        this.called = called;
    }

    void note(CopyViews.Finding finding, String by, Instant when) {
        result = finding.result();
        lookedBy = finding.lookedBy();
        newest = finding.newest();
        opened = finding.opened();
        covers = finding.covers().toArray(Long[]::new);
        words = finding.words();
        who = by;
        at = when;
    }

    Long id() {
        return id;
    }

    CopyPlace place() {
        return place;
    }

    String called() {
        return called;
    }

    CopyViews.Finding finding() {
        return new CopyViews.Finding(result, lookedBy, newest, opened, List.of(covers), words);
    }

    CopyViews.Noted noted() {
        return new CopyViews.Noted(who, at);
    }

    boolean isOpened() {
        return finding().isOpened();
    }
}

interface CopyPlaceRows extends JpaRepository<CopyPlaceRow, Long> {

    List<CopyPlaceRow> findByCaseIdOrderById(Long caseId);

    Optional<CopyPlaceRow> findByCaseIdAndPlaceAndCalled(Long caseId, CopyPlace place, String called);
}
