package org.brantel.server.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class StopRequestTest {

    @Test
    void theServersOwnStopIsHeardAtOnce() {
        AtomicBoolean server = new AtomicBoolean();
        StopRequest stop = new StopRequest(server::get, () -> false);
        assertThat(stop.getAsBoolean()).isFalse();
        server.set(true);
        assertThat(stop.getAsBoolean()).isTrue();
    }

    @Test
    void aPersonsWishStaysAndTheRecordsAreNotAskedAtEveryStep() {
        AtomicInteger looks = new AtomicInteger();
        StopRequest stop = new StopRequest(() -> false, () -> looks.incrementAndGet() == 1);
        for (int i = 0; i < 10_000; i++) {
            assertThat(stop.getAsBoolean()).isTrue();
        }
        assertThat(looks).hasValue(1);
        AtomicInteger more = new AtomicInteger();
        StopRequest never = new StopRequest(() -> false, () -> more.incrementAndGet() < 0);
        for (int i = 0; i < 10_000; i++) {
            never.getAsBoolean();
        }
        assertThat(more.get()).isLessThan(100);
    }
}
