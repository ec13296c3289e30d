package org.brantel.server.staff;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "throttle")
class ThrottleRow {

    @Id
    private String subject;

    private int failures;
    private Instant blockedUntil;

    protected ThrottleRow() {}

    ThrottleRow(String subject) {
        this.subject = subject;
        this.blockedUntil = Instant.EPOCH;
    }

    void fail(Instant until) {
        failures++;
        blockedUntil = until;
    }

    int failures() {
        return failures;
    }

    Instant blockedUntil() {
        return blockedUntil;
    }
}
