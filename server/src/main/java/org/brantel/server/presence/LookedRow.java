package org.brantel.server.presence;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** Up to where in a case's record somebody has seen it. */
@Entity
@Table(name = "case_looked")
@IdClass(LookedRow.Key.class)
class LookedRow {

    record Key(String caseNumber, String login) implements Serializable {}

    @Id
    private String caseNumber;

    @Id
    private String login;

    private long seenNumber;
    private Instant at;

    protected LookedRow() {}

    long seenNumber() {
        return seenNumber;
    }

    Instant at() {
        return at;
    }
}

interface LookedRows extends JpaRepository<LookedRow, LookedRow.Key> {

    /** What was seen stays seen, from however many windows at once. */
    @Modifying
    @Query(
            value = "insert into case_looked as l (case_number, login, seen_number, at) values (?1, ?2, ?3, ?4) "
                    + "on conflict (case_number, login) do update set "
                    + "seen_number = greatest(l.seen_number, excluded.seen_number), at = excluded.at",
            nativeQuery = true)
    void looked(String caseNumber, String login, long seenNumber, Instant at);
}
