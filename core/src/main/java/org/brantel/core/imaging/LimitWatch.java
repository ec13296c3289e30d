package org.brantel.core.imaging;

import java.util.Optional;
import org.brantel.core.health.HealthReading;
import org.brantel.core.imaging.LimitReached.Limit;
import org.jspecify.annotations.Nullable;

/** Counts what stop limits are about, from the moment a session was started or went on. Pure. */
final class LimitWatch {

    /** Degrees that a device has to cool down before it works again. */
    static final int COOLER = 5;

    private static final long MINUTE_NANOS = 60_000_000_000L;

    private long inRow;
    private long inAll;
    private long workedNanos;
    private @Nullable HealthReading first;
    private @Nullable HealthReading last;

    /** The last two passes ask only for what failed before; that it fails again in a row is no news there. */
    void request(Pass pass, boolean fault, long nanos) {
        if (pass != Pass.SINGLE_SECTOR && pass != Pass.PERSISTENCE) {
            inRow = fault ? inRow + 1 : 0;
        }
        inAll += fault ? 1 : 0;
        workedNanos += nanos;
    }

    void reading(HealthReading reading) {
        first = first == null ? reading : first;
        last = reading;
    }

    /** The first limit that asks for an end, if one does. */
    Optional<LimitReached> ends(StopLimits limits) {
        long minutes = workedNanos / MINUTE_NANOS;
        long growth = first == null || last == null ? 0 : last.damaged() - first.damaged();
        return over(Limit.FAULTS_IN_ROW, inRow, limits.faultsInRow())
                .or(() -> over(Limit.FAULTS_IN_ALL, inAll, limits.faultsInAll()))
                .or(() -> over(Limit.GROWTH, growth, limits.growth()))
                .or(() -> over(Limit.MINUTES, minutes, limits.minutes()));
    }

    /**
     * Whether the device is to rest until it is cooler.
     *
     * @param resting it does already
     */
    Optional<LimitReached> tooWarm(StopLimits limits, boolean resting) {
        Integer celsius = last == null ? null : last.celsius();
        if (celsius == null || limits.celsius() == 0) {
            return Optional.empty();
        }
        boolean warm = resting ? celsius > limits.celsius() - COOLER : celsius >= limits.celsius();
        return warm ? Optional.of(new LimitReached(Limit.CELSIUS, celsius, limits.celsius())) : Optional.empty();
    }

    private static Optional<LimitReached> over(Limit limit, long value, long bound) {
        return bound > 0 && value >= bound ? Optional.of(new LimitReached(limit, value, bound)) : Optional.empty();
    }
}
