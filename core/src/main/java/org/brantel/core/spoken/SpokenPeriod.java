package org.brantel.core.spoken;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A stretch of days with what leads to it: {@code since 2019}, {@code between march and may 2025}, {@code before
 * easter}, {@code 2011-2014}.
 *
 * @param from     null where it has no beginning
 * @param to       null where it has no end
 * @param words    how many words it takes
 * @param yearSaid as {@link SpokenDate#yearSaid}
 */
public record SpokenPeriod(
        @Nullable LocalDate from, @Nullable LocalDate to, int words, boolean yearSaid) {

    /** Words that a stretch takes at most. */
    private static final int LONGEST = 24;

    private static final String YEARS = "(19[5-9]|20\\d)\\d[-/](19[5-9]|20\\d)\\d";

    /**
     * The stretch that begins at a word. Two that {@code and} joins are one stretch only after {@code between}.
     *
     * @param words in lower case, without apostrophes and punctuation
     * @param today what is counted from
     */
    public static Optional<SpokenPeriod> at(List<String> words, int at, LocalDate today) {
        List<Word> near = words.subList(Math.max(0, at - 1), Math.min(words.size(), at + LONGEST)).stream()
                .map(w -> new Word(w, 0, 0, false))
                .toList();
        return Optional.ofNullable(find(near, Math.min(at, 1), today, false));
    }

    /**
     * The stretch that begins at a word; null where none does.
     *
     * @param and whether two that {@code and} joins are one from the first to the last
     */
    static @Nullable SpokenPeriod find(List<Word> words, int i, LocalDate today, boolean and) {
        String w = word(words, i);
        if (w.matches(YEARS)) {
            return new SpokenPeriod(
                    LocalDate.of(Integer.parseInt(w.substring(0, 4)), 1, 1),
                    LocalDate.of(Integer.parseInt(w.substring(5)), 12, 31),
                    1,
                    true);
        }
        int led = w.matches("since|from|before|until|till|after|between|of|in|during") ? 1 : 0;
        SpokenDate first = SpokenDate.at(words, i + led, today, false).orElse(null);
        if (first == null) {
            return null;
        }
        int used = led + first.words();
        String joint = word(words, i + used);
        if (joint.matches("to|until|till|through") || joint.equals("and") && (and || w.equals("between"))) {
            if (word(words, i + used + 1).matches("now|today")) {
                return new SpokenPeriod(first.from(), null, used + 2, first.yearSaid());
            }
            SpokenDate last = SpokenDate.at(words, i + used + 1, today, false).orElse(null);
            if (last != null) {
                return between(first, last, used + 1 + last.words());
            }
        }
        String then = word(words, i + used);
        return switch (w) {
            case "since" -> new SpokenPeriod(first.from(), null, used, first.yearSaid());
            case "after" -> new SpokenPeriod(first.to().plusDays(1), null, used, first.yearSaid());
            case "before" -> new SpokenPeriod(null, first.from().minusDays(1), used, first.yearSaid());
            case "until", "till" -> new SpokenPeriod(null, first.to(), used, first.yearSaid());
            default ->
                then.matches("onwards?|on")
                        ? new SpokenPeriod(first.from(), null, used + 1, first.yearSaid())
                        : then.equals("or") && word(words, i + used + 1).matches("earlier|before|older")
                                ? new SpokenPeriod(null, first.to(), used + 2, first.yearSaid())
                                : new SpokenPeriod(first.from(), first.to(), used, first.yearSaid());
        };
    }

    private static String word(List<Word> words, int i) {
        return i < words.size() ? words.get(i).text() : "";
    }

    /** {@code between march and may 2025}: the year that is said for one is that of both. */
    private static SpokenPeriod between(SpokenDate first, SpokenDate last, int words) {
        LocalDate from = first.from();
        if (!first.yearSaid() && last.yearSaid()) {
            from = from.withYear(last.to().getYear());
            from = from.isAfter(last.to()) ? from.minusYears(1) : from;
        }
        LocalDate to = last.to();
        if (first.yearSaid() && !last.yearSaid()) {
            to = to.plusYears(from.getYear() - (long) to.getYear());
            to = to.isBefore(from) ? to.plusYears(1) : to;
        } else if (!first.yearSaid() && !last.yearSaid() && from.isAfter(to)) {
            from = from.minusYears(1);
        }
        return to.isBefore(from)
                ? new SpokenPeriod(last.from(), last.to(), words, last.yearSaid())
                : new SpokenPeriod(from, to, words, first.yearSaid() || last.yearSaid());
    }
}
