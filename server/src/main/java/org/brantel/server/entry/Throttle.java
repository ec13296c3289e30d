package org.brantel.server.entry;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.brantel.server.platform.Refusal;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Slows down guessing: of one secret from one address, of one secret from wherever, and of many secrets from one
 * address. After some failures each further one doubles the wait. A try counts as a failure before it is judged, in one
 * statement, so that many at once are no more than many one after the other. Kept in the records: a restart forgets
 * nothing, and every server of the lab counts the same.
 */
@Service
public class Throttle {

    /** How long anything is kept of what failed. */
    private static final Duration KEPT = Duration.ofDays(1);

    /** So many tries are judged at a time, each of which keeps a processor busy; a few more wait in line. */
    private static final int AT_A_TIME = 2;

    private static final int LINE = 40;
    /** A line of right tries, on a machine that has other work, is let in before anybody is sent away. */
    private static final Duration PATIENCE = Duration.ofSeconds(30);

    /**
     * What is tried.
     *
     * @param what   the kind of secret
     * @param secret whose it is: a sign-in name, a link
     * @param from   the address that the try comes from
     */
    public record Subject(String what, String secret, String from) {}

    /** What is counted. The second never keeps anybody out for long: else whoever guesses would lock the owner out. */
    private enum Reach {
        SECRET_FROM_HERE(5, Duration.ofHours(1), Duration.ofSeconds(15), Duration.ofHours(1)),
        SECRET(50, Duration.ofMinutes(1), Duration.ofSeconds(2), Duration.ofSeconds(15)),
        ALL_FROM_HERE(100, Duration.ofMinutes(1), Duration.ofSeconds(15), Duration.ofMinutes(5));

        private final int free;
        /** After this long without a failure one is forgotten: an office of many makes a few mistakes every day. */
        private final Duration forgets;

        private final Duration first;
        private final Duration longest;

        Reach(int free, Duration forgets, Duration first, Duration longest) {
            this.free = free;
            this.forgets = forgets;
            this.first = first;
            this.longest = longest;
        }

        /** A secret is whatever somebody types: what is counted stands first, or one row could be made to be another. */
        String key(Subject of) {
            return name() + " " + of.what() + " "
                    + switch (this) {
                        case SECRET_FROM_HERE -> of.from() + " " + of.secret();
                        case SECRET -> of.secret();
                        case ALL_FROM_HERE -> of.from();
                    };
        }
    }

    private final ThrottleRows rows;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final Semaphore judging = new Semaphore(AT_A_TIME, true);

    Throttle(ThrottleRows rows, TransactionTemplate transaction, Clock clock) {
        this.rows = rows;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * Has a try judged.
     *
     * @param judge gives something where the try is right; it runs without a transaction
     * @return what it gave
     * @throws Refusal with the time to wait, where it was tried too often or too many try just now
     */
    public <T> Optional<T> judged(Subject subject, Supplier<Optional<T>> judge) {
        if (judging.getQueueLength() >= LINE || !admitted()) {
            throw Refusal.tooOften("Many people try to get in just now; wait a few seconds and try again.");
        }
        try {
            transaction.executeWithoutResult(t -> List.of(Reach.values()).forEach(r -> count(r, subject)));
            Optional<T> found = judge.get();
            if (found.isPresent()) {
                transaction.executeWithoutResult(t -> forgive(subject));
            }
            return found;
        } finally {
            judging.release();
        }
    }

    private boolean admitted() {
        try {
            return judging.tryAcquire(PATIENCE.toMillis(), TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    private void count(Reach reach, Subject subject) {
        Instant now = clock.instant();
        String key = reach.key(subject);
        boolean counted = rows.count(
                        key,
                        now,
                        reach.forgets.toSeconds(),
                        reach.free,
                        reach.first.toSeconds(),
                        reach.longest.toSeconds())
                .isPresent();
        if (!counted) {
            Instant until = rows.blockedUntil(key).orElse(now);
            throw Refusal.tooOften(
                    "Too many wrong tries; wait " + words(Duration.between(now, until)) + " and try again.");
        }
    }

    private static String words(Duration wait) {
        long seconds = Math.max(1, wait.toSeconds());
        return seconds == 1 ? "a second" : seconds < 90 ? seconds + " seconds" : seconds / 60 + " minutes";
    }

    private void forgive(Subject subject) {
        rows.clear(Reach.SECRET_FROM_HERE.key(subject));
        for (Reach other : List.of(Reach.SECRET, Reach.ALL_FROM_HERE)) {
            rows.discount(other.key(subject), clock.instant(), other.free);
        }
    }

    /** Names that nobody has need not be kept because somebody typed them once. */
    @Scheduled(fixedDelay = 1, initialDelay = 1, timeUnit = TimeUnit.HOURS)
    void forget() {
        transaction.executeWithoutResult(t -> rows.forget(clock.instant().minus(KEPT)));
    }
}
