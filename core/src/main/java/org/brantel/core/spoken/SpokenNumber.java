package org.brantel.core.spoken;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Numbers as people say them: {@code 40}, {@code 1,200}, {@code forty}, {@code twenty-four},
 * {@code a couple of hundred}, {@code half a}, {@code two and a half}, {@code one point five}.
 *
 * @param words how many words it takes
 */
record SpokenNumber(double value, int words) {

    private static final Map<String, Integer> SMALL = Map.ofEntries(
            Map.entry("one", 1),
            Map.entry("two", 2),
            Map.entry("three", 3),
            Map.entry("four", 4),
            Map.entry("five", 5),
            Map.entry("six", 6),
            Map.entry("seven", 7),
            Map.entry("eight", 8),
            Map.entry("nine", 9),
            Map.entry("ten", 10),
            Map.entry("eleven", 11),
            Map.entry("twelve", 12),
            Map.entry("thirteen", 13),
            Map.entry("fourteen", 14),
            Map.entry("fifteen", 15),
            Map.entry("sixteen", 16),
            Map.entry("seventeen", 17),
            Map.entry("eighteen", 18),
            Map.entry("nineteen", 19),
            Map.entry("twenty", 20),
            Map.entry("thirty", 30),
            Map.entry("forty", 40),
            Map.entry("fifty", 50),
            Map.entry("sixty", 60),
            Map.entry("seventy", 70),
            Map.entry("eighty", 80),
            Map.entry("ninety", 90),
            Map.entry("both", 2));
    private static final Map<String, Integer> LARGE =
            Map.of("hundred", 100, "thousand", 1000, "million", 1_000_000, "dozen", 12, "score", 20);
    private static final int TEENS = 20;
    private static final int TENS = 100;

    /** Every word that is part of a number. */
    static Set<String> vocabulary() {
        Set<String> all = new HashSet<>(SMALL.keySet());
        all.addAll(LARGE.keySet());
        return all;
    }

    /** The number that begins at a word; empty when none does. */
    static Optional<SpokenNumber> at(List<Word> words, int i) {
        if (i >= words.size() || words.get(i).isBreak()) {
            return Optional.empty();
        }
        SpokenNumber part = part(words, i);
        if (part != null) {
            return Optional.of(part);
        }
        SpokenNumber whole = text(words, i).matches("\\d.*") ? digits(words, i) : said(words, i);
        return Optional.ofNullable(whole == null ? null : whole.withRest(words, i));
    }

    /** {@code half a}, {@code a quarter of a}, {@code three quarters of a}. */
    private static @Nullable SpokenNumber part(List<Word> words, int i) {
        String first = text(words, i);
        if (first.equals("half") && text(words, i + 1).matches("an?")) {
            Integer whole = LARGE.get(text(words, i + 2));
            return whole == null ? new SpokenNumber(0.5, 2) : new SpokenNumber(whole / 2.0, 3);
        }
        if (first.equals("quarter")
                && text(words, i + 1).equals("of")
                && text(words, i + 2).matches("an?")) {
            return new SpokenNumber(1 / 4.0, 3);
        }
        int a = first.matches("an?|one") ? 1 : first.equals("three") ? 3 : 0;
        if (a > 0
                && text(words, i + 1).matches("quarters?")
                && text(words, i + 2).equals("of")
                && text(words, i + 3).matches("an?")) {
            return new SpokenNumber(a / 4.0, 4);
        }
        return null;
    }

    private static @Nullable SpokenNumber digits(List<Word> words, int i) {
        String first = text(words, i);
        if (!first.matches("\\d{1,3}(,\\d{3})+|\\d{1,9}([.]\\d+)?")) {
            return null;
        }
        double value = Double.parseDouble(first.replace(",", ""));
        int used = 1;
        // 1,200 is cut at its comma into words.
        if (first.matches("\\d{1,3}")
                && text(words, i + 1).equals(",")
                && text(words, i + 2).matches("\\d{3}")
                && words.get(i + 1).from() == words.get(i).to()
                && words.get(i + 2).from() == words.get(i + 1).to()) {
            value = value * 1000 + Integer.parseInt(text(words, i + 2));
            used = 3;
        }
        Integer scale = LARGE.get(text(words, i + used));
        return scale == null ? new SpokenNumber(value, used) : new SpokenNumber(value * scale, used + 1);
    }

    private static @Nullable SpokenNumber said(List<Word> words, int i) {
        int at = i;
        double current = -1;
        if (text(words, at).matches("an?") && text(words, at + 1).equals("couple")) {
            at += text(words, at + 2).equals("of") ? 3 : 2;
            current = 2;
        } else if (text(words, at).equals("a") && LARGE.containsKey(text(words, at + 1))) {
            at++;
            current = 1;
        }
        double total = 0;
        while (true) {
            String word = text(words, at);
            int small = small(word);
            Integer scale = LARGE.get(word);
            if (small >= 0
                    && (current < 0
                            || current % TENS == 0 && current > 0
                            || current % 10 == 0 && current >= TEENS && current % TENS != 0 && small < 10)) {
                current = Math.max(0, current) + small;
            } else if (scale != null && scale >= 1000 && (current > 0 || total > 0)) {
                total = (total + Math.max(1, current)) * scale;
                current = 0;
            } else if (scale != null && (current > 0 || current < 0 && at == i && scale == 12)) {
                current = Math.max(1, current) * scale;
            } else if (!(word.equals("and") && (current >= TENS || total > 0) && small(text(words, at + 1)) >= 0)) {
                break;
            }
            at++;
        }
        return at == i || current < 0 ? null : new SpokenNumber(total + current, at - i);
    }

    /** {@code … and a half}, {@code … point five}. */
    private SpokenNumber withRest(List<Word> all, int i) {
        int at = i + words;
        if (text(all, at).equals("and")
                && text(all, at + 1).equals("a")
                && text(all, at + 2).equals("half")) {
            return new SpokenNumber(value + 0.5, words + 3);
        }
        if (text(all, at).equals("point") && small(text(all, at + 1)) >= 0 && small(text(all, at + 1)) < 10) {
            return new SpokenNumber(value + small(text(all, at + 1)) / 10.0, words + 2);
        }
        return this;
    }

    /** A number below a hundred in one word; -1 for none. */
    private static int small(String word) {
        Integer alone = SMALL.get(word);
        if (alone != null) {
            return alone;
        }
        String[] parts = word.split("-");
        int tens = SMALL.getOrDefault(parts[0], 0);
        int ones = parts.length == 2 ? SMALL.getOrDefault(parts[1], 10) : 10;
        return tens >= TEENS && ones < 10 ? tens + ones : -1;
    }

    /**
     * A year in words, like {@code nineteen ninety eight}, {@code twenty twenty-four} or
     * {@code two thousand and eleven}; empty for none.
     */
    static Optional<SpokenNumber> yearAt(List<Word> words, int i) {
        String first = text(words, i);
        if (first.equals("two") && text(words, i + 1).equals("thousand")) {
            int at = i + (text(words, i + 2).equals("and") ? 3 : 2);
            int rest = small(text(words, at));
            return rest > 0 && rest < 50 ? Optional.of(new SpokenNumber(2000 + rest, at + 1 - i)) : Optional.empty();
        }
        if (!first.matches("nineteen|twenty")) {
            return Optional.empty();
        }
        int century = first.equals("nineteen") ? 1900 : 2000;
        int second = small(text(words, i + 1));
        int used = 2;
        if (text(words, i + 1).matches("oh|o") && small(text(words, i + 2)) > 0 && small(text(words, i + 2)) < 10) {
            second = small(text(words, i + 2));
            used = 3;
        } else if (second >= TEENS
                && second % 10 == 0
                && small(text(words, i + 2)) > 0
                && small(text(words, i + 2)) < 10) {
            second += small(text(words, i + 2));
            used = 3;
        } else if (second < 10) {
            return Optional.empty();
        }
        boolean plausible = century == 1900 ? second >= 50 : second < 50;
        return plausible ? Optional.of(new SpokenNumber(century + second, used)) : Optional.empty();
    }

    private static String text(List<Word> words, int i) {
        return i < words.size() ? words.get(i).text() : "";
    }
}
