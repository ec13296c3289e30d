package org.brantel.core.wanted;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One line of a wanted list. A finding fits when it is of one of the kinds, matches the pattern, is large enough and of
 * the right time, and is what the words mean; an empty condition is not asked. {@link Fitting} holds findings against
 * it.
 *
 * @param words    the customer's own
 * @param kinds    kind codes or groups like {@code image}
 * @param pattern  of the name or the path, with {@code *} and {@code ?}; compared as people write
 * @param hopedFor how many; 0 when nobody can say
 * @param minBytes smallest size
 * @param from     first day on which the files were made or changed; null when open
 * @param to       last day; null when open
 * @param yearAssumed the year of these days was not said: it is the latest one before the loss
 * @param mustHave or nice to have
 */
public record WantedLine(
        long id,
        String words,
        List<String> kinds,
        String pattern,
        int hopedFor,
        long minBytes,
        @Nullable LocalDate from,
        @Nullable LocalDate to,
        boolean yearAssumed,
        boolean mustHave) {

    public WantedLine {
        kinds = kinds == null ? List.of() : List.copyOf(kinds);
        pattern = pattern == null ? "" : pattern.strip();
    }
}
