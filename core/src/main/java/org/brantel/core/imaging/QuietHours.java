package org.brantel.core.imaging;

import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.Optional;

/**
 * When devices are left alone: nobody is there to hear one that begins to scrape. May go over midnight; equal times are
 * none.
 *
 * @param from inclusive
 * @param to   exclusive
 */
public record QuietHours(LocalTime from, LocalTime to) {

    public static final QuietHours NONE = new QuietHours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT);

    /** When the quiet that holds at a moment ends; empty when none does. */
    public Optional<LocalDateTime> until(LocalDateTime now) {
        LocalTime time = now.toLocalTime();
        boolean holds = from.isBefore(to)
                ? !time.isBefore(from) && time.isBefore(to)
                : !from.equals(to) && (!time.isBefore(from) || time.isBefore(to));
        return holds
                ? Optional.of((time.isBefore(to)
                                ? now.toLocalDate()
                                : now.toLocalDate().plusDays(1))
                        .atTime(to))
                : Optional.empty();
    }
}
