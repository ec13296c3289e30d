package org.brantel.server.intake;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** The customer's yes to more being looked at than they agreed to before. Never changed. */
@Entity
@Table(name = "consent_yes")
class ConsentYes {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private String look;

    @Column(updatable = false)
    private String saidBy;

    @Column(updatable = false)
    private String how;

    @Column(updatable = false)
    private LocalDate saidOn;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    protected ConsentYes() {}

    ConsentYes(Long caseId, CaseForm.Yes yes, String who, Instant at) {
        this.caseId = caseId;
        this.look = yes.look();
        this.saidBy = yes.saidBy().strip();
        this.how = yes.how().strip();
        this.saidOn = yes.saidOn();
        this.who = who;
        this.at = at;
    }

    CaseViews.ConsentGiven view() {
        return new CaseViews.ConsentGiven(look, saidBy, how, saidOn, who, at);
    }
}

interface ConsentYeses extends JpaRepository<ConsentYes, Long> {

    List<ConsentYes> findByCaseIdOrderByIdDesc(Long caseId);
}
