package org.brantel.server.intake;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import org.brantel.server.platform.Settings;
import org.brantel.server.settings.LabSettings;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Today in the lab's zone, and when the clock of a stage runs out. */
@Component
class CaseClock {

    private final Clock clock;
    private final Settings settings;

    CaseClock(Clock clock, Settings settings) {
        this.clock = clock;
        this.settings = settings;
    }

    Instant now() {
        return clock.instant();
    }

    LocalDate today() {
        return LocalDate.now(clock.withZone(settings.zone()));
    }

    /** The day of a moment, in the lab's zone. */
    LocalDate dayOf(Instant at) {
        return LocalDate.ofInstant(at, settings.zone());
    }

    /**
     * Null where no clock runs. A case on hold is due on the day that it wakes, one that waits for
     * a partner after the day that they said.
     */
    @Nullable
    Instant due(LabCase c, LabSettings.Clocks clocks) {
        if (c.hold() != null) {
            return c.hold().until().atStartOfDay(settings.zone()).toInstant();
        }
        LocalDate other = c.waitsUntil();
        if (other != null && c.stage().isOpen()) {
            return other.plusDays(1).atStartOfDay(settings.zone()).toInstant();
        }
        Integer hours = clocks.hours().get(c.stage().word());
        return hours == null ? null : c.stageSince().plus(Duration.ofHours(hours));
    }
}
