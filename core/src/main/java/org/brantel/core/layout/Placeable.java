package org.brantel.core.layout;

import java.time.LocalDate;
import java.time.LocalDateTime;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Made;
import org.brantel.core.finding.Standing;
import org.jspecify.annotations.Nullable;

/**
 * What is known of a file that decides where it lies in a delivery.
 *
 * @param image  which image of the case holds it, from 1
 * @param volume null for what no volume's records tell of
 * @param stands where it stood; null for what no record names
 * @param name   what it is called where no record names it
 * @param given  the name that the lab gave it, in place of its own; null for most
 * @param day    on which it was made; null where nothing says so
 */
public record Placeable(
        long id,
        int image,
        @Nullable Integer volume,
        @Nullable Standing stands,
        String name,
        @Nullable String given,
        String kind,
        @Nullable LocalDate day) {

    /** A finding of the one image there is. */
    public static Placeable of(Finding f) {
        String suggested = f.suggestedName();
        LocalDateTime made = Made.of(f.about(), f.modified());
        return new Placeable(
                f.id(),
                1,
                f.volume(),
                Standing.of(f),
                suggested != null ? suggested : f.name(),
                null,
                f.kind(),
                made == null ? null : made.toLocalDate());
    }
}
