package org.brantel.server.presence;

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

/** Somebody who was seen in a case. */
@Entity
@Table(name = "present_person")
class PresentRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private String caseNumber;

    @Column(updatable = false)
    private String login;

    private String place;
    private Instant seenAt;

    protected PresentRow() {}

    PresentRow(String caseNumber, String login, String place, Instant seenAt) {
        this.caseNumber = caseNumber;
        this.login = login;
        this.place = place;
        this.seenAt = seenAt;
    }

    void seen(String where, Instant at) {
        place = where;
        seenAt = at;
    }

    String login() {
        return login;
    }

    String place() {
        return place;
    }

    Instant seenAt() {
        return seenAt;
    }
}

interface PresentRows extends JpaRepository<PresentRow, Long> {

    Optional<PresentRow> findByCaseNumberAndLogin(String caseNumber, String login);

    List<PresentRow> findByCaseNumberAndSeenAtAfterOrderByLogin(String caseNumber, Instant after);

    void deleteByCaseNumberAndLogin(String caseNumber, String login);

    void deleteBySeenAtBefore(Instant before);
}
