package org.brantel.server.entry;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** By which somebody chooses a new password, once. */
@Entity
@Table(name = "reset_link")
class ResetLink {

    @Id
    private String hash;

    private String login;
    private String madeBy;
    private Instant madeAt;
    private Instant until;
    private @Nullable Instant usedAt;

    protected ResetLink() {}

    ResetLink(String hash, String login, String madeBy, Instant madeAt, Instant until) {
        this.hash = hash;
        this.login = login;
        this.madeBy = madeBy;
        this.madeAt = madeAt;
        this.until = until;
    }

    String login() {
        return login;
    }
}

interface ResetLinks extends JpaRepository<ResetLink, String> {

    /** @return 1 where it held, and nobody had used it */
    @Modifying
    @Query("update ResetLink l set l.usedAt = ?2 where l.hash = ?1 and l.usedAt is null and l.until > ?2")
    int use(String hash, Instant when);

    /** Ends what somebody was given before: only the latest holds. */
    @Modifying
    @Query("update ResetLink l set l.until = ?2 where l.login = ?1 and l.usedAt is null and l.until > ?2")
    void end(String login, Instant when);
}
