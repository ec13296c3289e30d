package org.brantel.core.spoken;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Dates that are counted from another, and those that have names of their own: {@code in two weeks},
 * {@code end of the month}, {@code christmas}.
 */
final class SpokenSpan {

    private static final Pattern NUMERIC = Pattern.compile("(\\d{1,2})[./](\\d{1,2})(?:[./](\\d{4}|\\d{2}))?[.]?");
    private static final Pattern DECADE = Pattern.compile("(?:19|20)?(\\d)0s");
    private static final String PARTS_OF_A_DAY = "morning|noon|midday|lunchtime|afternoon|evening|night";

    private SpokenSpan() {}

    static @Nullable SpokenDate find(SpokenDate.Reading r) {
        SpokenDate found = counted(r);
        found = found != null ? found : edge(r);
        found = found != null ? found : feast(r);
        found = found != null ? found : near(r);
        found = found != null ? found : numeric(r);
        return found != null ? found : decade(r);
    }

    private static SpokenDate day(LocalDate d, int words) {
        return new SpokenDate(d, d, words);
    }

    /** {@code in two weeks}, {@code within ten days}, {@code a week from friday}, {@code a week today}. */
    private static @Nullable SpokenDate counted(SpokenDate.Reading r) {
        int skip = r.word(0).matches("in|within|inside") ? 1 : 0;
        if (!r.due()) {
            return null;
        }
        SpokenDate.Reading rest = new SpokenDate.Reading(r.words(), r.i() + skip, r.today(), true);
        SpokenNumber n = rest.word(0).equals("fortnight") ? new SpokenNumber(1, 0) : SpokenDate.many(rest);
        if (n == null || n.value() > 1000) {
            return null;
        }
        String unit = rest.word(n.words());
        LocalDate to = plus(r.today(), Math.round(n.value()), unit);
        if (to == null) {
            return null;
        }
        int used = skip + n.words() + 1;
        String then = r.word(used);
        if (then.matches("from|on|after") || then.matches("today|tomorrow")) {
            int at = used + (then.matches("from|on|after") ? 1 : 0);
            SpokenDate base = r.word(at).equals("now")
                    ? day(r.today(), 1)
                    : SpokenDate.at(r.words(), r.i() + at, r.today(), true).orElse(null);
            LocalDate moved = base == null ? null : plus(base.to(), Math.round(n.value()), unit);
            return base == null || moved == null ? null : day(moved, at + base.words());
        }
        boolean time = r.word(used).equals("time");
        return skip == 0 && !time ? null : day(to, used + (time ? 1 : 0));
    }

    private static @Nullable LocalDate plus(LocalDate from, long many, String unit) {
        return switch (unit) {
            case "day", "days" -> from.plusDays(many);
            case "week", "weeks" -> from.plusWeeks(many);
            case "fortnight", "fortnights" -> from.plusWeeks(2 * many);
            case "month", "months" -> from.plusMonths(many);
            case "hour", "hours" -> from.plusDays(many / 24);
            default -> null;
        };
    }

    /** {@code end of the month}, {@code the beginning of next week}, {@code middle of june}. */
    private static @Nullable SpokenDate edge(SpokenDate.Reading r) {
        int skip = r.word(0).equals("the") ? 1 : 0;
        String edge = r.word(skip);
        if (!edge.matches("end|ends|start|beginning|middle|mid")
                || !r.word(skip + 1).equals("of") && !edge.equals("mid")) {
            return null;
        }
        int at = skip + (r.word(skip + 1).equals("of") ? 2 : 1);
        at += r.word(at).equals("the") ? 1 : 0;
        String what = r.word(at);
        SpokenDate whole;
        if (what.matches("week|month|year")) {
            whole = SpokenDate.at(
                            List.of(new Word("this", 0, 0, false), new Word(what, 0, 0, false)), 0, r.today(), r.due())
                    .orElse(null);
            at++;
        } else {
            whole = SpokenDate.at(r.words(), r.i() + at, r.today(), r.due()).orElse(null);
            at += whole == null ? 0 : whole.words();
        }
        if (whole == null || whole.from().equals(whole.to())) {
            return null;
        }
        LocalDate middle =
                whole.from().plusDays((whole.to().toEpochDay() - whole.from().toEpochDay()) / 2);
        LocalDate d = edge.startsWith("end")
                ? what.equals("week") || r.word(at - 1).equals("week")
                        ? whole.from().plusDays(4)
                        : whole.to()
                : edge.startsWith("mid") ? middle : whole.from();
        return new SpokenDate(d, d, at, whole.yearSaid());
    }

    /** Days that have names. */
    private static @Nullable SpokenDate feast(SpokenDate.Reading r) {
        int skip = r.word(0).matches("last|next|this") ? 1 : 0;
        String name = r.word(skip);
        boolean eve = r.word(skip + 1).equals("eve");
        boolean itsDay = r.word(skip + 1).equals("day");
        int used = skip + 1 + (eve || itsDay ? 1 : 0);
        int year = r.today().getYear();
        LocalDate d =
                switch (name) {
                    case "christmas", "xmas" -> LocalDate.of(year, Month.DECEMBER, eve ? 24 : 25);
                    case "hogmanay" -> LocalDate.of(year, Month.DECEMBER, 31);
                    case "easter" -> easter(year);
                    case "midsummer" -> LocalDate.of(year, Month.JUNE, 24);
                    case "halloween" -> LocalDate.of(year, Month.OCTOBER, 31);
                    case "boxing" -> itsDay ? LocalDate.of(year, Month.DECEMBER, 26) : null;
                    case "new" ->
                        r.word(skip + 1).matches("years?")
                                ? LocalDate.of(
                                        year,
                                        r.word(skip + 2).equals("eve") ? Month.DECEMBER : Month.JANUARY,
                                        r.word(skip + 2).equals("eve") ? 31 : 1)
                                : null;
                    default -> null;
                };
        if (d == null) {
            return null;
        }
        if (name.equals("new")) {
            used = skip + 2 + (r.word(skip + 2).matches("eve|day") ? 1 : 0);
        }
        boolean ahead = r.due() && !r.word(0).equals("last") || r.word(0).equals("next");
        if (ahead && d.isBefore(r.today())) {
            d = name.equals("easter") ? easter(year + 1) : d.plusYears(1);
        } else if (!ahead && d.isAfter(r.today())) {
            d = name.equals("easter") ? easter(year - 1) : d.minusYears(1);
        }
        return new SpokenDate(d, d, used, skip == 1);
    }

    /** Easter Sunday by the Gregorian rule (the anonymous computation of 1876). */
    private static LocalDate easter(int year) {
        int a = year % 19;
        int b = year / 100;
        int c = year % 100;
        int h = (19 * a + b - b / 4 - (b - (b + 8) / 25 + 1) / 3 + 15) % 30;
        int l = (32 + 2 * (b % 4) + 2 * (c / 4) - h - c % 4) % 7;
        int m = (a + 11 * h + 22 * l) / 451;
        int monthAndDay = h + l - 7 * m + 114;
        return LocalDate.of(year, monthAndDay / 31, monthAndDay % 31 + 1);
    }

    /**
     * {@code the day after tomorrow}, {@code this morning}, {@code the weekend}, {@code the week after next},
     * {@code the 12th}.
     */
    private static @Nullable SpokenDate near(SpokenDate.Reading r) {
        int skip = r.word(0).equals("the") ? 1 : 0;
        String w = r.word(skip);
        if (w.equals("day")
                && r.word(skip + 1).equals("after")
                && r.word(skip + 2).equals("tomorrow")) {
            return day(r.today().plusDays(2), skip + 3);
        }
        if (w.equals("day")
                && r.word(skip + 1).equals("before")
                && r.word(skip + 2).equals("yesterday")) {
            return day(r.today().minusDays(2), skip + 3);
        }
        if (w.equals("week")
                && r.word(skip + 1).equals("after")
                && r.word(skip + 2).equals("next")) {
            LocalDate monday = r.today().plusWeeks(2).with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
            return new SpokenDate(monday, monday.plusDays(6), skip + 3);
        }
        if (w.equals("this") && r.word(1).matches(PARTS_OF_A_DAY)) {
            return day(r.today(), 2);
        }
        if (w.matches("yesterday|tomorrow") && r.word(skip + 1).matches(PARTS_OF_A_DAY)) {
            return day(r.today().plusDays(w.equals("tomorrow") ? 1 : -1), skip + 2);
        }
        int weekend = w.matches("this|next|last") ? skip + 1 : skip;
        if (r.word(weekend).equals("weekend") && (skip == 1 || weekend > skip)) {
            LocalDate saturday = r.due() && !w.equals("last")
                    ? r.today().with(TemporalAdjusters.nextOrSame(DayOfWeek.SATURDAY))
                    : r.today().with(TemporalAdjusters.previous(DayOfWeek.SATURDAY));
            return new SpokenDate(saturday, saturday.plusDays(1), weekend + 1);
        }
        return skip == 1
                        && w.matches("\\d{1,2}(st|nd|rd|th)")
                        && SpokenDate.monthOf(r.word(skip + 1)) == null
                        && !r.word(skip + 1).equals("of")
                ? dayOfMonth(r, SpokenDate.ordinal(w), skip + 1)
                : null;
    }

    private static @Nullable SpokenDate dayOfMonth(SpokenDate.Reading r, int number, int used) {
        for (int months = 0; months < 12; months++) {
            YearMonth m = YearMonth.from(r.today()).plusMonths(r.due() ? months : -months);
            if (number >= 1 && number <= m.lengthOfMonth()) {
                LocalDate d = m.atDay(number);
                if (r.due() ? !d.isBefore(r.today()) : !d.isAfter(r.today())) {
                    return day(d, used);
                }
            }
        }
        return null;
    }

    /** {@code 3/12}, {@code 3.12.}, {@code 03/12/2026}: the day stands first. */
    private static @Nullable SpokenDate numeric(SpokenDate.Reading r) {
        Matcher m = NUMERIC.matcher(r.word(0));
        if (!m.matches()
                || r.word(1).matches("[kmgtp]i?b|percent|volts?")
                || !r.word(0).contains("/") && m.group(3) == null && !r.due()) {
            return null;
        }
        int day = Integer.parseInt(m.group(1));
        int month = Integer.parseInt(m.group(2));
        int year = m.group(3) == null
                ? r.today().getYear()
                : Integer.parseInt(m.group(3)) + (m.group(3).length() == 2 ? 2000 : 0);
        LocalDate d = LocalDate.of(year, month, day);
        if (m.group(3) == null && r.due() && d.isBefore(r.today())) {
            d = d.plusYears(1);
        } else if (m.group(3) == null && !r.due() && d.isAfter(r.today())) {
            d = d.minusYears(1);
        }
        return new SpokenDate(d, d, 1, m.group(3) != null);
    }

    /** {@code the nineties}, {@code the 1980s}. */
    private static @Nullable SpokenDate decade(SpokenDate.Reading r) {
        int skip = r.word(0).equals("the") ? 1 : 0;
        String w = r.word(skip);
        int tens =
                switch (w) {
                    case "fifties" -> 1950;
                    case "sixties" -> 1960;
                    case "seventies" -> 1970;
                    case "eighties" -> 1980;
                    case "nineties" -> 1990;
                    default -> {
                        Matcher m = DECADE.matcher(w);
                        int ten = m.matches() ? Integer.parseInt(m.group(1)) * 10 : -1;
                        // 30s are seconds.
                        ten = w.length() == 3 && ten > 10 && ten < 50 ? -1 : ten;
                        yield ten < 0
                                ? 0
                                : w.startsWith("20") && w.length() > 3 || ten < 50 && !w.startsWith("19")
                                        ? 2000 + ten
                                        : 1900 + ten;
                    }
                };
        return tens < 1950 ? null : new SpokenDate(LocalDate.of(tens, 1, 1), LocalDate.of(tens + 9, 12, 31), skip + 1);
    }
}
