package org.brantel.core.wanted;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
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
 * @param mustHave or nice to have
 */
public record WantedLine(
        long id,
        String words,
        List<String> kinds,
        String pattern,
        int hopedFor,
        long minBytes,
        @JsonUnwrapped Days days,
        boolean mustHave) {

    /**
     * When the files were made or changed.
     *
     * @param from        first day; null when open
     * @param to          last day; null when open
     * @param yearAssumed the year was not said: it is the latest one before the loss
     */
    public record Days(@Nullable LocalDate from, @Nullable LocalDate to, boolean yearAssumed) {

        public static final Days ANY = new Days(null, null, false);

        public boolean areAsked() {
            return from != null || to != null;
        }
    }

    public WantedLine {
        kinds = kinds == null ? List.of() : List.copyOf(kinds);
        pattern = pattern == null ? "" : pattern.strip();
    }
}
