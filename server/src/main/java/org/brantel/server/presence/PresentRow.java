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
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

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

    /** Whether or not they were here before, from however many windows at once. */
    @Modifying
    @Query(
            value = "insert into present_person (case_number, login, place, seen_at) values (?1, ?2, ?3, ?4) "
                    + "on conflict (case_number, login) do update set place = excluded.place, "
                    + "seen_at = excluded.seen_at",
            nativeQuery = true)
    void seen(String caseNumber, String login, String place, Instant at);

    void deleteByCaseNumberAndLogin(String caseNumber, String login);

    void deleteBySeenAtBefore(Instant before);
}
