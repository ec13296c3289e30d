package org.brantel.core.question;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.brantel.core.spoken.SpokenPeriod;
import org.jspecify.annotations.Nullable;

/**
 * {@code from may 2021}, {@code since 2019}, {@code before christmas}, {@code older than two years},
 * {@code between 3 and 9 june 2020}, {@code 2021-05-04}. A year alone may be a part of a name as well.
 */
final class DayPhrase implements Reading.Phrase {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH);
    private static final String LEADS = "from|in|of|on|during|since|before|after|until|till|between|dated";
    private static final String MADE = "made|taken|written|recorded|shot|saved|modified|changed|dated";
    private static final String MONTHS =
            "(jan(uary)?|feb(ruary)?|mar(ch)?|apr(il)?|may|june?|july?|aug(ust)?|sep(t|tember)?|oct(ober)?|"
                    + "nov(ember)?|dec(ember)?)";

    @Override
    public Reading.@Nullable Read at(Reading q, int i) {
        int made = q.is(i, MADE) ? 1 : 0;
        Reading.Read compared = compared(q, i + made, made);
        if (compared != null) {
            return compared;
        }
        // On and dated lead to a day and change nothing.
        int led = made + (q.is(i + made, "on|dated") ? 1 : 0);
        SpokenPeriod period =
                SpokenPeriod.at(q.words(), i + led, q.known().today()).orElse(null);
        if (period == null || isQuoted(q, i + led, period.words())) {
            return wrong(q, i, led);
        }
        int used = led + period.words();
        if (used == 1 && q.is(i, "\\d{4}")) {
            return new Reading.Read(
                    Facet.MADE,
                    new Condition.Any(List.of(made(period), new Condition.Text(q.word(i)))),
                    1,
                    "made in " + q.word(i) + ", or " + q.word(i) + " in its name");
        }
        // 'May', 'sun' and their like are words too.
        return new Reading.Read(Facet.MADE, made(period), used, "made " + say(period.from(), period.to()));
    }

    private static Condition.Made made(SpokenPeriod p) {
        return new Condition.Made(p.from(), p.to());
    }

    private static boolean isQuoted(Reading q, int i, int words) {
        return q.tokens().subList(i, i + words).stream().anyMatch(Token::quoted);
    }

    /** {@code older than two years}, {@code newer than may 2020}. */
    private static Reading.@Nullable Read compared(Reading q, int i, int led) {
        boolean older = q.is(i, "older|earlier");
        boolean newer = q.is(i, "newer|younger|later");
        if (!older && !newer || !q.is(i + 1, "than")) {
            return null;
        }
        List<String> words = q.words();
        SpokenPeriod period = SpokenPeriod.at(words, i + 2, q.known().today()).orElse(null);
        int used = period == null ? 0 : period.words();
        if (period == null) {
            // So many years: counted back from today.
            for (int n = 2; n <= 4 && period == null && i + 2 + n <= words.size(); n++) {
                List<String> ago = new ArrayList<>(words.subList(i + 2, i + 2 + n));
                ago.add("ago");
                period = SpokenPeriod.at(ago, 0, q.known().today())
                        .filter(p -> p.words() == ago.size())
                        .orElse(null);
                used = n;
            }
        }
        if (period == null) {
            return null;
        }
        LocalDate from = older || period.to() == null ? null : period.to().plusDays(1);
        LocalDate to = newer || period.from() == null ? null : period.from().minusDays(1);
        return from == null && to == null
                ? null
                : new Reading.Read(Facet.MADE, new Condition.Made(from, to), led + 2 + used, "made " + say(from, to));
    }

    /** What looks like a day and is none. */
    private static Reading.@Nullable Read wrong(Reading q, int i, int led) {
        int lead = led + (q.is(i + led, LEADS) ? 1 : 0);
        int at = i + lead;
        boolean number = q.is(at, "\\d{4}-\\d{1,2}-\\d{1,2}|\\d{1,2}[./]\\d{1,2}[./](\\d{2}|\\d{4})");
        boolean named = q.is(at, "\\d{1,2}(st|nd|rd|th)?") && q.is(at + 1, MONTHS);
        if (!number && !named) {
            return null;
        }
        int used = named ? q.is(at + 2, "\\d{4}") ? 3 : 2 : 1;
        String said = String.join(" ", q.words().subList(at, at + used));
        return Reading.Read.wrong(
                Facet.MADE, lead + used, "There is no day " + said + "; write it like 4 may 2021 or 2021-05-04.");
    }

    /** {@code in may 2021}, {@code on 4 May 2021 or after}. */
    static String say(@Nullable LocalDate from, @Nullable LocalDate to) {
        if (from == null) {
            return to == null ? "at any time" : "on " + DAY.format(to) + " or before";
        }
        if (to == null) {
            return "on " + DAY.format(from) + " or after";
        }
        if (from.equals(to)) {
            return "on " + DAY.format(from);
        }
        YearMonth first = YearMonth.from(from);
        boolean months =
                from.getDayOfMonth() == 1 && to.equals(YearMonth.from(to).atEndOfMonth());
        if (months && first.equals(YearMonth.from(to))) {
            return "in " + MONTH.format(from);
        }
        if (months && from.getMonthValue() == 1 && to.getMonthValue() == 12) {
            return from.getYear() == to.getYear()
                    ? "in " + from.getYear()
                    : "from " + from.getYear() + " to " + to.getYear();
        }
        return months
                ? "from " + MONTH.format(from) + " to " + MONTH.format(to)
                : "from " + DAY.format(from) + " to " + DAY.format(to);
    }
}
