package org.brantel.server.catalogue;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.brantel.core.wanted.WantedTally;
import org.springframework.data.jpa.repository.JpaRepository;

/** A person of the lab says which of a wanted line's matches are what was asked for. */
@Entity
@Table(name = "wanted_confirmation")
class WantedConfirmation {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private Long wantedId;

    private Long[] theirs;
    private String who;
    private Instant at;

    protected WantedConfirmation() {}

    /** What else a row has is set before it is saved. */
    @SuppressWarnings("NullAway.Init")
    WantedConfirmation(Long caseId, Long wantedId) {
        this.caseId = caseId;
        this.wantedId = wantedId;
    }

    void say(List<Long> findings, String person, Instant when) {
        theirs = findings.toArray(Long[]::new);
        who = person;
        at = when;
    }

    Long wantedId() {
        return wantedId;
    }

    List<Long> theirs() {
        return List.of(theirs);
    }

    WantedTally.Confirmed view() {
        return new WantedTally.Confirmed(theirs.length, who, at);
    }
}

interface WantedConfirmations extends JpaRepository<WantedConfirmation, Long> {

    Optional<WantedConfirmation> findByWantedId(Long wantedId);

    List<WantedConfirmation> findByCaseId(Long caseId);
}
