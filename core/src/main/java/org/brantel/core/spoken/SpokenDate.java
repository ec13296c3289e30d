package org.brantel.core.spoken;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * A day or a stretch of days as people say it, seen from today: {@code yesterday}, {@code on monday},
 * {@code last June}, {@code three weeks ago}, {@code 2011}, {@code 24 November}, {@code 2026-11-24}. Weekdays and
 * months without a year are the latest past ones, or the next ones when something is due.
 *
 * @param words    how many words it takes
 * @param yearSaid false where only a month, a day of one or a season was named, and its year is taken to be the latest
 *                 or the next
 */
record SpokenDate(LocalDate from, LocalDate to, int words, boolean yearSaid) {

    SpokenDate(LocalDate from, LocalDate to, int words) {
        this(from, to, words, true);
    }

    /** Every word that is a day or a month. */
    static Set<String> vocabulary() {
        Set<String> all = new HashSet<>(MONTHS.keySet());
        all.addAll(DAYS.keySet());
        all.addAll(Set.of(
                "yesterday",
                "tomorrow",
                "tonight",
                "weekend",
                "christmas",
                "fortnight",
                "months",
                "weeks",
                "morning",
                "evening",
                "afternoon"));
        return all;
    }

    private static final Map<String, Month> MONTHS = IntStream.rangeClosed(1, 12)
            .mapToObj(Month::of)
            .flatMap(m -> {
                String name = m.name().toLowerCase(Locale.ROOT);
                return List.of(Map.entry(name, m), Map.entry(name.substring(0, 3), m)).stream();
            })
            .distinct()
            .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a));
    private static final Map<String, DayOfWeek> DAYS = Map.ofEntries(
            Map.entry("monday", DayOfWeek.MONDAY),
            Map.entry("mon", DayOfWeek.MONDAY),
            Map.entry("tuesday", DayOfWeek.TUESDAY),
            Map.entry("tue", DayOfWeek.TUESDAY),
            Map.entry("tues", DayOfWeek.TUESDAY),
            Map.entry("wednesday", DayOfWeek.WEDNESDAY),
            Map.entry("wed", DayOfWeek.WEDNESDAY),
            Map.entry("thursday", DayOfWeek.THURSDAY),
            Map.entry("thu", DayOfWeek.THURSDAY),
            Map.entry("thurs", DayOfWeek.THURSDAY),
            Map.entry("friday", DayOfWeek.FRIDAY),
            Map.entry("fri", DayOfWeek.FRIDAY),
            Map.entry("saturday", DayOfWeek.SATURDAY),
            Map.entry("sat", DayOfWeek.SATURDAY),
            Map.entry("sunday", DayOfWeek.SUNDAY),
            Map.entry("sun", DayOfWeek.SUNDAY));
    private static final Map<String, Integer> SEASONS = Map.of("spring", 3, "summer", 6, "autumn", 9, "winter", 12);

    private static final List<String> ORDINALS = List.of(
            "first",
            "second",
            "third",
            "fourth",
            "fifth",
            "sixth",
            "seventh",
            "eighth",
            "ninth",
            "tenth",
            "eleventh",
            "twelfth",
            "thirteenth",
            "fourteenth",
            "fifteenth",
            "sixteenth",
            "seventeenth",
            "eighteenth",
            "nineteenth",
            "twentieth");

    private static SpokenDate day(LocalDate d, int words) {
        return new SpokenDate(d, d, words);
    }

    /**
     * The date that begins at a word.
     *
     * @param due the next rather than the last such day is meant
     */
    static Optional<SpokenDate> at(List<Word> words, int i, LocalDate today, boolean due) {
        try {
            return Optional.ofNullable(find(new Reading(words, i, today, due)));
        } catch (DateTimeException e) {
            return Optional.empty(); // 31 February and the like are no dates
        }
    }

    /** A whole text that is one date, as in a field. */
    public static Optional<SpokenDate> parse(String text, LocalDate today, boolean due) {
        List<Word> words = Word.of(text.strip());
        return at(words, 0, today, due).filter(d -> d.words == words.size());
    }

    record Reading(List<Word> words, int i, LocalDate today, boolean due) {
        String word(int k) {
            return i + k < words.size() ? words.get(i + k).text() : "";
        }

        int year(int k) {
            return i + k < words.size() ? words.get(i + k).year() : 0;
        }
    }

    private static @Nullable SpokenDate find(Reading r) {
        String w = r.word(0);
        if (w.matches("\\d{4}-\\d{1,2}-\\d{1,2}")) {
            String[] p = w.split("-");
            return day(LocalDate.of(Integer.parseInt(p[0]), Integer.parseInt(p[1]), Integer.parseInt(p[2])), 1);
        }
        switch (w) {
            case "today", "tonight" -> {
                return day(r.today, 1);
            }
            case "overnight" -> {
                return r.due ? null : day(r.today, 1);
            }
            case "yesterday" -> {
                return day(r.today.minusDays(1), 1);
            }
            case "tomorrow" -> {
                return day(r.today.plusDays(1), 1);
            }
            default -> {}
        }
        SpokenDate named = SpokenSpan.find(r);
        if (named == null && (w.equals("the") || w.equals("on") || w.equals("in") || w.equals("at"))) {
            SpokenDate rest = find(new Reading(r.words, r.i + 1, r.today, r.due));
            return rest == null ? null : new SpokenDate(rest.from, rest.to, rest.words + 1, rest.yearSaid);
        }
        named = named != null ? named : ago(r);
        named = named != null ? named : weekday(r);
        named = named != null ? named : month(r);
        named = named != null ? named : season(r);
        named = named != null ? named : stretch(r);
        return named != null ? named : year(r);
    }

    /** {@code three weeks ago}. */
    private static @Nullable SpokenDate ago(Reading r) {
        SpokenNumber n = many(r);
        if (n == null || n.value() > 4000 || !r.word(n.words() + 1).matches("ago|back")) {
            return null;
        }
        long many = Math.round(n.value());
        if (n.value() != many && r.word(n.words()).matches("years?")) {
            return day(r.today.minusMonths(Math.round(12 * n.value())), n.words() + 2);
        }
        LocalDate d =
                switch (r.word(n.words()).replaceAll("s$", "")) {
                    case "hour", "minute" -> r.today;
                    case "day" -> r.today.minusDays(many);
                    case "week" -> r.today.minusWeeks(many);
                    case "fortnight" -> r.today.minusWeeks(2 * many);
                    case "month" -> r.today.minusMonths(many);
                    case "year" -> r.today.minusYears(many);
                    default -> null;
                };
        return d == null ? null : day(d, n.words() + 2);
    }

    /** How many of something: a number, {@code a}, {@code a few}. */
    static @Nullable SpokenNumber many(Reading r) {
        if (r.word(0).equals("a") && r.word(1).equals("few") || r.word(0).equals("several")) {
            return new SpokenNumber(3, r.word(0).equals("a") ? 2 : 1);
        }
        return SpokenNumber.at(r.words, r.i).orElse(r.word(0).matches("an?|one") ? new SpokenNumber(1, 1) : null);
    }

    /** The day of the week that a word names; null for none. */
    static @Nullable DayOfWeek dayOfWeek(String word) {
        return DAYS.get(word);
    }

    /** The month that a word names; null for none. */
    static @Nullable Month monthOf(String word) {
        return MONTHS.get(word);
    }

    private static @Nullable SpokenDate weekday(Reading r) {
        int skip = r.word(0).matches("last|next|this|coming|past") ? 1 : 0;
        DayOfWeek d = DAYS.get(r.word(skip));
        // 'sun', 'sat' and 'mon' are words too.
        if (d == null || r.word(skip).matches("sun|sat") && skip == 0 && !r.due) {
            return null;
        }
        boolean ahead = r.due && !r.word(0).matches("last|past") || r.word(0).matches("next|coming");
        boolean past = r.word(0).matches("last|past");
        boolean nextWeek =
                ahead && r.word(skip + 1).equals("next") && r.word(skip + 2).equals("week");
        LocalDate day = nextWeek
                ? r.today
                        .plusWeeks(1)
                        .with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY))
                        .with(TemporalAdjusters.nextOrSame(d))
                : r.today.with(
                        ahead
                                ? TemporalAdjusters.next(d)
                                : past ? TemporalAdjusters.previous(d) : TemporalAdjusters.previousOrSame(d));
        boolean week = ahead && r.word(skip + 1).equals("week");
        int used = skip + 1 + (nextWeek ? 2 : week ? 1 : 0);
        return day(
                week ? day.plusWeeks(1) : day,
                used + (r.word(used).matches("morning|noon|midday|afternoon|evening|night") ? 1 : 0));
    }

    /** {@code last June}, {@code June 2019}, {@code 24 November}, {@code November 24th}. */
    private static @Nullable SpokenDate month(Reading r) {
        int dayNumber = ordinal(r.word(0));
        int at = dayNumber > 0
                ? r.word(1).equals("of") ? 2 : 1
                : r.word(0).matches("last|next|this|early|late|mid") ? 1 : 0;
        Month m = MONTHS.get(r.word(at));
        // 'may' and 'mar' are words too; alone they mean nothing.
        boolean led = r.i > 0 && r.words.get(r.i - 1).text().matches("from|in|of|during");
        if (m == null
                || r.word(at).equals("may") && at == 0 && r.year(1) == 0 && ordinal(r.word(1)) == 0 && !r.due && !led) {
            return null;
        }
        int used = at + 1;
        if (dayNumber == 0 && ordinal(r.word(used)) > 0 && r.year(used) == 0) {
            dayNumber = ordinal(r.word(used));
            used++;
        }
        int year = r.year(used);
        if (year > 0) {
            used++;
        }
        if (dayNumber > 0) {
            LocalDate d = LocalDate.of(year > 0 ? year : r.today.getYear(), m, dayNumber);
            return year > 0 ? day(d, used) : new SpokenDate(nearest(d, r), nearest(d, r), used, false);
        }
        YearMonth month = YearMonth.of(year > 0 ? year : r.today.getYear(), m);
        if (year == 0) {
            month = r.due && month.atEndOfMonth().isBefore(r.today)
                    ? month.plusYears(1)
                    : !r.due && month.atDay(1).isAfter(r.today) ? month.minusYears(1) : month;
            if (r.word(0).equals("last") && month.equals(YearMonth.from(r.today))) {
                month = month.minusYears(1);
            }
        }
        return new SpokenDate(
                month.atDay(1),
                month.atEndOfMonth(),
                used,
                year > 0 || r.word(0).matches("last|next|this"));
    }

    private static LocalDate nearest(LocalDate d, Reading r) {
        return r.due && d.isBefore(r.today) ? d.plusYears(1) : !r.due && d.isAfter(r.today) ? d.minusYears(1) : d;
    }

    static int ordinal(String word) {
        int named = ORDINALS.indexOf(word) + 1;
        if (named > 0) {
            return named;
        }
        String digits = word.replaceFirst("(st|nd|rd|th)$", "");
        return digits.matches("[1-9]|[12]\\d|3[01]") ? Integer.parseInt(digits) : 0;
    }

    private static @Nullable SpokenDate season(Reading r) {
        int at = r.word(0).matches("last|this|early|late") ? 1 : 0;
        Integer first = SEASONS.get(r.word(at));
        int year = r.year(at + 1);
        if (first == null || at == 0 && year == 0) {
            return null;
        }
        YearMonth start = YearMonth.of(year > 0 ? year : r.today.getYear(), first);
        if (year == 0
                && (start.atDay(1).isAfter(r.today)
                        || r.word(0).equals("last")
                                && start.plusMonths(2).atEndOfMonth().isAfter(r.today))) {
            start = start.minusYears(1);
        }
        return new SpokenDate(start.atDay(1), start.plusMonths(2).atEndOfMonth(), at + (year > 0 ? 2 : 1));
    }

    /** {@code last week}, {@code this year}, {@code next month}. */
    private static @Nullable SpokenDate stretch(Reading r) {
        SpokenDate counted = r.due ? null : lastFew(r);
        if (counted != null) {
            return counted;
        }
        int by =
                switch (r.word(0)) {
                    case "last" -> -1;
                    case "this" -> 0;
                    case "next" -> 1;
                    default -> 9;
                };
        if (by == 9) {
            return null;
        }
        return switch (r.word(1)) {
            case "week" -> {
                LocalDate monday = r.today.plusWeeks(by).with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
                yield new SpokenDate(monday, monday.plusDays(6), 2);
            }
            case "month" -> {
                YearMonth m = YearMonth.from(r.today).plusMonths(by);
                yield new SpokenDate(m.atDay(1), m.atEndOfMonth(), 2);
            }
            case "year" -> wholeYear(r.today.getYear() + by, 2);
            case "night" -> by == -1 ? day(r.today.minusDays(1), 2) : null;
            default -> null;
        };
    }

    /** {@code last three years}, {@code past few weeks}: until today. */
    private static @Nullable SpokenDate lastFew(Reading r) {
        if (!r.word(0).matches("last|past")) {
            return null;
        }
        Reading rest = new Reading(r.words, r.i + 1, r.today, false);
        SpokenNumber n = rest.word(0).equals("few")
                ? new SpokenNumber(3, 1)
                : SpokenNumber.at(r.words, r.i + 1).orElse(null);
        if (n == null || n.value() < 2 || n.value() > 1000) {
            return null;
        }
        long many = Math.round(n.value());
        LocalDate from =
                switch (rest.word(n.words())) {
                    case "days" -> r.today.minusDays(many);
                    case "weeks" -> r.today.minusWeeks(many);
                    case "months" -> r.today.minusMonths(many);
                    case "years" -> r.today.minusYears(many);
                    default -> null;
                };
        return from == null ? null : new SpokenDate(from, r.today, 2 + n.words());
    }

    private static @Nullable SpokenDate year(Reading r) {
        return r.year(0) > 0 ? wholeYear(r.year(0), 1) : null;
    }

    private static SpokenDate wholeYear(int year, int words) {
        return new SpokenDate(LocalDate.of(year, 1, 1), LocalDate.of(year, 12, 31), words);
    }
}
