package org.brantel.server.staff;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Slows down guessing: after a few failures each further one doubles the wait. Kept in the records, so a restart
 * forgets nothing.
 */
@Service
public class Throttle {

    private static final int FREE_TRIES = 5;
    private static final Duration FIRST_WAIT = Duration.ofSeconds(15);
    private static final Duration LONGEST_WAIT = Duration.ofHours(1);

    private final ThrottleRows rows;
    private final Clock clock;

    Throttle(ThrottleRows rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /** @throws Refusal with the time to wait, while the subject is blocked */
    @Transactional(readOnly = true)
    public void check(String subject) {
        rows.findById(subject)
                .map(ThrottleRow::blockedUntil)
                .filter(clock.instant()::isBefore)
                .ifPresent(until -> {
                    long seconds =
                            Math.max(1, Duration.between(clock.instant(), until).toSeconds());
                    throw Refusal.tooOften("Too many wrong tries; wait "
                            + (seconds < 90 ? seconds + " seconds" : seconds / 60 + " minutes") + " and try again.");
                });
    }

    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void failed(String subject) {
        ThrottleRow row = rows.findById(subject).orElseGet(() -> new ThrottleRow(subject));
        Instant until = Instant.EPOCH;
        if (row.failures() + 1 >= FREE_TRIES) {
            long factor = 1L << Math.min(10, row.failures() + 1 - FREE_TRIES);
            Duration wait = FIRST_WAIT.multipliedBy(factor);
            until = clock.instant().plus(wait.compareTo(LONGEST_WAIT) > 0 ? LONGEST_WAIT : wait);
        }
        row.fail(until);
        rows.save(row);
    }

    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void succeeded(String subject) {
        rows.deleteById(subject);
    }
}
