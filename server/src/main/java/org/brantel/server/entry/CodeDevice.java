package org.brantel.server.entry;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.LockModeType;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** What shows somebody's codes of the moment. */
@Entity
@Table(name = "code_device")
class CodeDevice {

    @Id
    private String login;

    private byte[] secret;
    private Instant madeAt;
    private @Nullable Instant confirmedAt;
    private long lastStep;

    protected CodeDevice() {}

    CodeDevice(String login, byte[] secret, Instant madeAt) {
        this.login = login;
        this.secret = secret.clone();
        this.madeAt = madeAt;
    }

    String login() {
        return login;
    }

    byte[] secret() {
        return secret.clone();
    }

    void confirm(Instant when) {
        confirmedAt = when;
    }

    boolean isConfirmed() {
        return confirmedAt != null;
    }

    /** @return whether no code of this step or a later one was taken before */
    boolean take(long step) {
        boolean fresh = step > lastStep;
        lastStep = Math.max(lastStep, step);
        return fresh;
    }
}

interface CodeDevices extends JpaRepository<CodeDevice, String> {

    /** Two who type the same code at once are one after the other. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select d from CodeDevice d where d.login = ?1")
    Optional<CodeDevice> lock(String login);

    @Modifying
    @Query("delete from CodeDevice d where d.login = ?1")
    void forget(String login);
}
