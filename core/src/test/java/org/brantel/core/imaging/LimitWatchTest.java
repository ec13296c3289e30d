package org.brantel.core.imaging;

import static org.assertj.core.api.Assertions.assertThat;

import org.brantel.core.health.HealthReading;
import org.brantel.core.imaging.LimitReached.Limit;
import org.junit.jupiter.api.Test;

class LimitWatchTest {

    private final LimitWatch watch = new LimitWatch();

    private static HealthReading reading(int celsius, long pending) {
        return HealthReading.byHand(celsius, null, null, pending, null, null, null);
    }

    private void faults(Pass pass, int count) {
        for (int i = 0; i < count; i++) {
            watch.request(pass, true, 1);
        }
    }

    @Test
    void aCleanRequestEndsARowAndTheLastPassesDoNotMakeOne() {
        StopLimits limits = new StopLimits(3, 0, 0, 0, 0);
        faults(Pass.SWEEP, 2);
        watch.request(Pass.SWEEP, false, 1);
        faults(Pass.BACK_SWEEP, 2);
        faults(Pass.SINGLE_SECTOR, 50);
        faults(Pass.PERSISTENCE, 50);
        assertThat(watch.ends(limits)).isEmpty();
        faults(Pass.NARROWING, 1);
        assertThat(watch.ends(limits)).contains(new LimitReached(Limit.FAULTS_IN_ROW, 3, 3));
    }

    @Test
    void allFaultsCountInAll() {
        faults(Pass.PERSISTENCE, 7);
        assertThat(watch.ends(new StopLimits(0, 8, 0, 0, 0))).isEmpty();
        faults(Pass.SWEEP, 1);
        assertThat(watch.ends(new StopLimits(0, 8, 0, 0, 0))).contains(new LimitReached(Limit.FAULTS_IN_ALL, 8, 8));
    }

    @Test
    void growthIsAgainstTheFirstReadingAndMinutesAreOfReading() {
        assertThat(watch.ends(new StopLimits(0, 0, 0, 5, 1)))
                .as("no reading yet")
                .isEmpty();
        watch.reading(reading(30, 100));
        watch.reading(reading(30, 104));
        assertThat(watch.ends(new StopLimits(0, 0, 0, 5, 0))).isEmpty();
        watch.reading(reading(30, 105));
        assertThat(watch.ends(new StopLimits(0, 0, 0, 5, 0))).contains(new LimitReached(Limit.GROWTH, 5, 5));
        watch.request(Pass.SWEEP, false, 59_999_999_999L);
        assertThat(watch.ends(new StopLimits(0, 0, 0, 0, 1))).isEmpty();
        watch.request(Pass.SWEEP, false, 1);
        assertThat(watch.ends(new StopLimits(0, 0, 0, 0, 1))).contains(new LimitReached(Limit.MINUTES, 1, 1));
    }

    @Test
    void aWarmDeviceIsWarmUntilItIsFiveDegreesBelowTheLimit() {
        StopLimits limits = new StopLimits(0, 0, 50, 0, 0);
        assertThat(watch.tooWarm(limits, false)).as("no reading").isEmpty();
        watch.reading(reading(49, 0));
        assertThat(watch.tooWarm(limits, false)).isEmpty();
        assertThat(watch.tooWarm(limits, true)).isPresent();
        watch.reading(reading(45, 0));
        assertThat(watch.tooWarm(limits, true)).isEmpty();
        watch.reading(reading(50, 0));
        assertThat(watch.tooWarm(limits, false)).contains(new LimitReached(Limit.CELSIUS, 50, 50));
        assertThat(watch.tooWarm(StopLimits.NONE, true)).isEmpty();
    }
}
