package org.brantel.core.wanted;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** A day, a month or a year, as something states it that is no record: content, a name, a folder. */
record StatedDate(LocalDate from, LocalDate to) {

    /** Before digital pictures and the files of today, a date is a clock that was never set. */
    private static final int EARLIEST = 1981;

    private static final int LATEST = 2099;
    private static final Pattern ISO = Pattern.compile("(\\d{4})(?:-(\\d{2})(?:-(\\d{2}))?)?.*");
    private static final Pattern CAMERA =
            Pattern.compile("(?i)(?:img|vid|pxl|dsc|mov|pano|burst|mvimg|rec|audio|ptt|aud)[-_ "
                    + "]?((?:19|20)\\d{2})(\\d{2})(\\d{2})[-_ tT](?:\\d{6,9}|wa\\d+).*");
    private static final Pattern YEAR_FIRST =
            Pattern.compile("(?<!\\d)((?:19|20)\\d{2})([-_. ]?)(\\d{2})\\2(\\d{2})(?!\\d)");
    private static final Pattern DAY_FIRST =
            Pattern.compile("(?<!\\d)(\\d{1,2})[-_. ](\\d{1,2})[-_. ]((?:19|20)\\d{2})(?!\\d)");
    private static final Pattern MONTH_ONLY = Pattern.compile("(?<!\\d)((?:19|20)\\d{2})[-_. ](\\d{2})(?!\\d)");
    private static final Pattern NAMED = Pattern.compile("(?i)(?<!\\p{L})(?:(\\d{1,2})(?:st|nd|rd|th)?[-_. "
            + "])?(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*[-_. "
            + "]+(?:(\\d{1,2})(?:st|nd|rd|th)?[-_. ,]+)?((?:19|20)\\d{2})(?!\\d)");
    private static final Pattern YEAR_ONLY = Pattern.compile("(?<![\\p{L}\\d])((?:19|20)\\d{2})(?![\\p{L}\\d])");

    private static StatedDate day(LocalDate d) {
        return new StatedDate(d, d);
    }

    /** What content says, like {@code 2019-05-14T09:00:00}; null for nothing, or a clock that was never set. */
    static @Nullable StatedDate ofContent(String text) {
        Matcher m = ISO.matcher(text.strip().replace(':', '-'));
        return m.matches() ? of(m.group(1), m.group(2), m.group(3)) : null;
    }

    /** A name that a camera or a phone gave by its clock; null for any other. */
    static @Nullable StatedDate ofCamera(String name) {
        Matcher m = CAMERA.matcher(name);
        return m.matches() ? of(m.group(1), m.group(2), m.group(3)) : null;
    }

    /** The most exact date in a name; null when there is none, or when there are several of a kind. */
    static @Nullable StatedDate ofName(@Nullable String name) {
        List<StatedDate> days = new ArrayList<>();
        all(YEAR_FIRST, name, m -> of(m.group(1), m.group(3), m.group(4)), days);
        all(DAY_FIRST, name, m -> either(m.group(3), m.group(2), m.group(1)), days);
        if (days.isEmpty()) {
            all(
                    NAMED,
                    name,
                    m -> of(m.group(4), month(m.group(2)), m.group(1) == null ? m.group(3) : m.group(1)),
                    days);
        }
        if (days.isEmpty()) {
            all(MONTH_ONLY, name, m -> of(m.group(1), m.group(2), null), days);
        }
        if (days.isEmpty()) {
            all(YEAR_ONLY, name, m -> of(m.group(1), null, null), days);
        }
        return days.stream().distinct().count() == 1 ? days.get(0) : null;
    }

    /** Day and month may stand either way round; where both are possible it is the month. */
    private static @Nullable StatedDate either(String year, String month, String day) {
        StatedDate usual = of(year, month, day);
        StatedDate turned = of(year, day, month);
        return usual == null
                ? turned
                : turned == null || turned.equals(usual)
                        ? usual
                        : new StatedDate(
                                LocalDate.of(Integer.parseInt(year), 1, 1),
                                LocalDate.of(Integer.parseInt(year), 12, 31));
    }

    private static void all(
            Pattern form,
            @Nullable String name,
            java.util.function.Function<Matcher, StatedDate> read,
            List<StatedDate> into) {
        Matcher m = form.matcher(name);
        while (m.find()) {
            StatedDate d = read.apply(m);
            if (d != null) {
                into.add(d);
            }
        }
    }

    private static @Nullable String month(String shortName) {
        for (Month m : Month.values()) {
            if (m.name().toLowerCase(Locale.ROOT).startsWith(shortName.toLowerCase(Locale.ROOT))) {
                return String.valueOf(m.getValue());
            }
        }
        return null;
    }

    private static @Nullable StatedDate of(String year, @Nullable String month, @Nullable String day) {
        int y = Integer.parseInt(year);
        if (y < EARLIEST || y > LATEST) {
            return null;
        }
        try {
            if (month == null || Integer.parseInt(month) == 0) {
                return new StatedDate(LocalDate.of(y, 1, 1), LocalDate.of(y, 12, 31));
            }
            YearMonth m = YearMonth.of(y, Integer.parseInt(month));
            return day == null || Integer.parseInt(day) == 0
                    ? new StatedDate(m.atDay(1), m.atEndOfMonth())
                    : day(m.atDay(Integer.parseInt(day)));
        } catch (DateTimeException e) {
            return null; // month 13 and the like: a number, not a date
        }
    }

    /** A day when a clock begins that nobody set, at its first minute. */
    static boolean isUnset(LocalDate day) {
        return day.getYear() < EARLIEST;
    }

    /** In words. */
    String say() {
        return from.equals(to)
                ? from.toString()
                : from.getMonth() == to.getMonth() ? YearMonth.from(from).toString() : String.valueOf(from.getYear());
    }
}
