package org.brantel.server.entry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.brantel.server.platform.Refusal;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.SettableClock;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionTemplate;

/** Tries are counted by the database, so this needs one. */
class ThrottleTest {

    private static final Throttle.Subject WHO = new Throttle.Subject("test", "petra", "192.0.2.7");

    private final Lab lab = Lab.open();
    private final SettableClock clock = new SettableClock(Instant.parse("2026-11-24T09:00:00Z"));
    private final Throttle throttle = another();

    /** As another server of the same lab has it. */
    private Throttle another() {
        return new Throttle(lab.own(ThrottleRows.class), lab.own(TransactionTemplate.class), clock);
    }

    @BeforeEach
    void forgetAll() {
        lab.own(ThrottleRows.class).deleteAll();
    }

    private static Throttle.Subject from(int address) {
        return new Throttle.Subject(WHO.what(), WHO.secret(), "192.0.2." + address);
    }

    private boolean isRight(Throttle.Subject subject, boolean right) {
        return throttle.judged(subject, () -> right ? Optional.of("in") : Optional.empty())
                .isPresent();
    }

    private void fail(int times, Throttle.Subject subject) {
        for (int i = 0; i < times; i++) {
            assertThat(isRight(subject, false)).isFalse();
        }
    }

    private void refused(Throttle.Subject subject, String words) {
        assertThatThrownBy(() -> isRight(subject, true))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining(words);
    }

    /** Of two at once, the one that began first may be counted after the other; so may those of two servers. */
    @Test
    void aTryThatIsCountedAfterALaterOneIsNotTooEarly() {
        fail(1, WHO);
        clock.pass(Duration.ofSeconds(-1));
        assertThat(isRight(WHO, true)).isTrue();
        fail(4, WHO);
        clock.pass(Duration.ofSeconds(-1));
        fail(1, WHO);
        refused(WHO, "wait");
    }

    @Test
    void aFewSlipsCostNothingAndOnceRightTheyAreForgotten() {
        for (int i = 0; i < 5; i++) {
            fail(4, WHO);
            assertThat(isRight(WHO, true)).isTrue();
        }
    }

    @Test
    void eachFurtherTryDoublesTheWaitUpToAnHour() {
        fail(5, WHO);
        refused(WHO, "15 seconds");
        clock.pass(Duration.ofSeconds(15));
        fail(1, WHO);
        refused(WHO, "30 seconds");
        for (int i = 0; i < 20; i++) {
            clock.pass(Duration.ofMinutes(60));
            fail(1, WHO);
        }
        refused(WHO, "30 seconds");
        for (int wait = 30; wait < 3600; wait *= 2) {
            clock.pass(Duration.ofSeconds(wait));
            fail(1, WHO);
        }
        refused(WHO, "60 minutes");
    }

    @Test
    void theWaitEndsAndADayForgets() {
        fail(5, WHO);
        clock.pass(Duration.ofSeconds(16));
        assertThat(isRight(WHO, true)).isTrue();
        fail(5, WHO);
        clock.pass(Duration.ofHours(25));
        fail(4, WHO);
        assertThat(isRight(WHO, true)).isTrue();
    }

    @Test
    void sixtyAtOnceOnTwoServersGetNoMoreThroughThanSixtyInARow() throws Exception {
        List<Throttle> servers = List.of(throttle, another());
        AtomicInteger judged = new AtomicInteger();
        List<Callable<Boolean>> tries = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            Throttle server = servers.get(i % 2);
            tries.add(() -> {
                try {
                    server.judged(WHO, () -> {
                        judged.incrementAndGet();
                        return Optional.empty();
                    });
                    return true;
                } catch (Refusal e) {
                    return false;
                }
            });
        }
        ExecutorService guessers = Executors.newFixedThreadPool(60);
        try {
            int through = 0;
            for (Future<Boolean> tried : guessers.invokeAll(tries)) {
                through += tried.get() ? 1 : 0;
            }
            assertThat(through).isEqualTo(5).isEqualTo(judged.get());
        } finally {
            guessers.shutdownNow();
        }
    }

    @Test
    void whoeverGuessesFromElsewhereDelaysTheOwnerBySecondsAtMost() {
        for (int address = 10; address < 50; address++) {
            fail(1, from(address));
        }
        assertThat(isRight(WHO, true)).as("a few wrong ones cost nothing").isTrue();
        for (int address = 50; address < 250; address++) {
            clock.pass(Duration.ofSeconds(15));
            fail(1, from(address));
        }
        refused(WHO, "15 seconds");
        clock.pass(Duration.ofSeconds(15));
        assertThat(isRight(WHO, true)).isTrue();
    }

    @Test
    void anAddressThatTriesManyNamesIsSlowedDown() {
        for (int i = 0; i < 100; i++) {
            fail(1, new Throttle.Subject("test", "name " + i, "192.0.2.9"));
        }
        refused(new Throttle.Subject("test", "one more", "192.0.2.9"), "15 seconds");
        assertThat(isRight(WHO, true)).as("from elsewhere").isTrue();
    }

    @Test
    void aNameThatIsMadeToLookLikeAnothersTriesIsNotTakenForThem() {
        for (String name : List.of(WHO.from() + " " + WHO.secret(), WHO.secret() + " from " + WHO.from())) {
            for (int address = 10; address < 50; address++) {
                fail(1, new Throttle.Subject(WHO.what(), name, "192.0.2." + address));
            }
        }
        fail(4, WHO);
        assertThat(isRight(WHO, true)).isTrue();
    }

    @Test
    void anOfficeThatMistypesEveryDayIsNotSlowedDown() {
        for (int day = 0; day < 60; day++) {
            clock.pass(Duration.ofHours(23));
            for (int person = 0; person < 3; person++) {
                fail(2, new Throttle.Subject("test", "person " + person, WHO.from()));
            }
            assertThat(isRight(WHO, true)).isTrue();
        }
    }

    @Test
    void whatIsADayOldIsNotKept() {
        fail(3, WHO);
        clock.pass(Duration.ofHours(25));
        throttle.forget();
        assertThat(lab.own(ThrottleRows.class).count()).isZero();
    }
}
