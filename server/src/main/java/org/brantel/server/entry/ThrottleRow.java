package org.brantel.server.entry;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** Failures of one sort; written by {@link ThrottleRows#count} alone. */
@Entity
@Table(name = "throttle")
class ThrottleRow {

    @Id
    private String subject;

    private int failures;
    private Instant lastAt;
    private Instant blockedUntil;

    protected ThrottleRow() {}
}
