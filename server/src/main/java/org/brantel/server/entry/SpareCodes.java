package org.brantel.server.entry;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface SpareCodes extends JpaRepository<SpareCode, SpareCode.Key> {

    /** @return 1 where it was one that nobody had used */
    @Modifying
    @Query("update SpareCode c set c.usedAt = ?3 where c.login = ?1 and c.hash = ?2 and c.usedAt is null")
    int use(String login, String hash, Instant when);

    long countByLoginAndUsedAtIsNull(String login);

    @Modifying
    @Query("delete from SpareCode c where c.login = ?1")
    void forget(String login);
}

/** Opens once, for who lost what shows their codes. */
@Entity
@Table(name = "spare_code")
@IdClass(SpareCode.Key.class)
class SpareCode {

    record Key(String login, String hash) implements Serializable {}

    @Id
    private String login;

    @Id
    private String hash;

    private @Nullable Instant usedAt;

    protected SpareCode() {}

    SpareCode(String login, String hash) {
        this.login = login;
        this.hash = hash;
    }
}
