package org.brantel.core.question;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;
import org.brantel.core.spoken.Capacity;
import org.jspecify.annotations.Nullable;

/**
 * {@code over 1 mb}, {@code at most 300 kib}, {@code between 1 and 5 mb}, {@code 2 gb or more}, {@code about 3 mb},
 * {@code empty}.
 */
final class SizePhrase implements Reading.Phrase {

    /** About so much is this far from it, in parts of a hundred. */
    private static final int ABOUT = 10;

    private static final BigDecimal LARGEST = BigDecimal.valueOf(Long.MAX_VALUE / 2);

    private enum Compared {
        MORE,
        AT_LEAST,
        LESS,
        AT_MOST,
        ABOUT,
        EXACTLY
    }

    private record Lead(Compared compared, int tokens) {}

    private record Bytes(long bytes, int tokens) {}

    @Override
    public Reading.@Nullable Read at(Reading q, int i) {
        if (q.is(i, "empty")) {
            return new Reading.Read(Facet.SIZE, new Condition.Size(0, 0), 1, "of no bytes");
        }
        Reading.Read span = span(q, i);
        if (span != null) {
            return span;
        }
        Lead lead = lead(q, i);
        Bytes size = bytes(q, i + lead.tokens());
        if (size != null) {
            return compared(q, i, lead, size);
        }
        boolean number = q.is(i + lead.tokens(), "\\d{1,12}([.]\\d+)?");
        return lead.tokens() > 0 && number && isOfSizes(q, i)
                ? Reading.Read.wrong(
                        Facet.SIZE,
                        lead.tokens() + 1,
                        "A size needs a unit, like " + q.word(i + lead.tokens()) + " mb.")
                : null;
    }

    /** What can be said of sizes alone, so that a number after it is one. */
    private static boolean isOfSizes(Reading q, int i) {
        return q.is(i, "[<>]=?|[≤≥]|larger|bigger|smaller|over|under");
    }

    private static Lead lead(Reading q, int i) {
        String w = q.word(i);
        int than = q.is(i + 1, "than") ? 2 : 1;
        return switch (w) {
            case ">", "over", "above" -> new Lead(Compared.MORE, 1);
            case ">=", "≥" -> new Lead(Compared.AT_LEAST, 1);
            case "<", "under", "below" -> new Lead(Compared.LESS, 1);
            case "<=", "≤" -> new Lead(Compared.AT_MOST, 1);
            case "larger", "bigger", "greater", "more", "longer" -> new Lead(Compared.MORE, than);
            case "smaller", "less", "shorter" -> new Lead(Compared.LESS, than);
            case "at" ->
                q.is(i + 1, "least")
                        ? new Lead(Compared.AT_LEAST, 2)
                        : q.is(i + 1, "most") ? new Lead(Compared.AT_MOST, 2) : new Lead(Compared.ABOUT, 0);
            case "up" -> new Lead(q.is(i + 1, "to") ? Compared.AT_MOST : Compared.ABOUT, q.is(i + 1, "to") ? 2 : 0);
            case "exactly" -> new Lead(Compared.EXACTLY, 1);
            case "about", "around", "roughly", "nearly" -> new Lead(Compared.ABOUT, 1);
            default -> new Lead(Compared.ABOUT, 0);
        };
    }

    private static Reading.Read compared(Reading q, int i, Lead lead, Bytes size) {
        int used = lead.tokens() + size.tokens();
        long n = size.bytes();
        Compared how = lead.compared();
        if (lead.tokens() == 0 && q.is(i + used, "or|and")) {
            Compared said = q.is(i + used + 1, "more|larger|bigger|up|over|above")
                    ? Compared.AT_LEAST
                    : q.is(i + used + 1, "less|smaller|under|below") ? Compared.AT_MOST : how;
            used += said == how ? 0 : 2;
            how = said;
        }
        return switch (how) {
            case MORE -> read(n + 1, Long.MAX_VALUE, used, "of more than " + say(n));
            case AT_LEAST -> read(n, Long.MAX_VALUE, used, "of at least " + say(n));
            case LESS ->
                n == 0
                        ? Reading.Read.wrong(Facet.SIZE, used, "Nothing is smaller than nothing; say empty.")
                        : read(0, n - 1, used, "of less than " + say(n));
            case AT_MOST -> read(0, n, used, "of at most " + say(n));
            case EXACTLY -> read(n, n, used, "of exactly " + say(n));
            case ABOUT -> {
                long from = n - n / ABOUT;
                long to = n + n / ABOUT;
                yield read(from, to, used, "of " + count(from) + " to " + say(to));
            }
        };
    }

    /** {@code between 1 and 5 mb}, {@code 1 mb to 5 mb}, {@code from 1 to 5 mb}. */
    private static Reading.@Nullable Read span(Reading q, int i) {
        int led = q.is(i, "between|from") ? 1 : 0;
        Bytes first = bytes(q, i + led);
        int at = i + led + (first == null ? 1 : first.tokens());
        if (!q.is(at, led == 1 ? "and|to|-|–" : "to|-|–")) {
            return null;
        }
        Bytes last = bytes(q, at + 1);
        if (last == null) {
            return null;
        }
        long least;
        if (first != null) {
            least = first.bytes();
        } else {
            // The unit of the second is that of both.
            String number = q.word(i + led);
            String unit = q.word(at + last.tokens()).replaceFirst("^[\\d.]+", "");
            Capacity.Said said = number.matches("\\d{1,12}([.]\\d{1,6})?")
                    ? Capacity.at(List.of(number + unit), 0).orElse(null)
                    : null;
            if (said == null) {
                return null;
            }
            least = whole(said.bytes());
        }
        int used = at + 1 + last.tokens() - i;
        return least > last.bytes()
                ? Reading.Read.wrong(Facet.SIZE, used, "The first size is the larger one; turn them round.")
                : read(least, last.bytes(), used, "of " + count(least) + " to " + say(last.bytes()));
    }

    private static Reading.Read read(long least, long most, int used, String says) {
        return new Reading.Read(Facet.SIZE, new Condition.Size(least, most), used, says);
    }

    private static @Nullable Bytes bytes(Reading q, int i) {
        Token t = q.token(i);
        if (t == null || t.isMark() || t.quoted()) {
            return null;
        }
        if (t.word().matches("\\d{1,15}(b|bytes?)")) {
            return new Bytes(Long.parseLong(t.word().replaceAll("\\D", "")), 1);
        }
        if (t.word().matches("\\d{1,15}") && q.is(i + 1, "b|bytes?")) {
            return new Bytes(Long.parseLong(t.word()), 2);
        }
        return Capacity.at(q.words(), i)
                .map(s -> new Bytes(whole(s.bytes()), s.words()))
                .orElse(null);
    }

    private static long whole(BigDecimal bytes) {
        return bytes.min(LARGEST).setScale(0, RoundingMode.HALF_UP).longValueExact();
    }

    private static String count(long n) {
        return String.format(Locale.ROOT, "%,d", n);
    }

    private static String say(long n) {
        return count(n) + (n == 1 ? " byte" : " bytes");
    }
}
