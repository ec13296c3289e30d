package org.brantel.server.closing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** A paper that the customer signed, scanned; its bytes lie in the lab's folder under their hash. */
@Entity
@Table(name = "signed_paper")
class SignedPaper {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private String name;

    @Column(updatable = false)
    private String sha256;

    @Column(updatable = false)
    private long bytes;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    protected SignedPaper() {}

    SignedPaper(long caseId, String name, String sha256, long bytes, String who, Instant at) {
        this.caseId = caseId;
        this.name = name;
        this.sha256 = sha256;
        this.bytes = bytes;
        this.who = who;
        this.at = at;
    }

    String sha256() {
        return sha256;
    }

    ClosingViews.Paper view() {
        return new ClosingViews.Paper(id, name, sha256, bytes, who, at);
    }
}

interface SignedPaperRecords extends JpaRepository<SignedPaper, Long> {

    List<SignedPaper> findByCaseIdOrderByIdDesc(Long caseId);

    Optional<SignedPaper> findByIdAndCaseId(Long id, Long caseId);
}
