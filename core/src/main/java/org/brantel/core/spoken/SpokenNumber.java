package org.brantel.core.spoken;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Numbers as people say them: {@code 40}, {@code 1,200}, {@code forty}, {@code twenty-four}, {@code a couple of hundred}. */
record SpokenNumber(double value, int words) {

    private static final Map<String, Integer> SMALL = Map.ofEntries(Map.entry("one", 1), Map.entry("two", 2), Map.entry("three", 3),
            Map.entry("four", 4), Map.entry("five", 5), Map.entry("six", 6), Map.entry("seven", 7), Map.entry("eight", 8),
            Map.entry("nine", 9), Map.entry("ten", 10), Map.entry("eleven", 11), Map.entry("twelve", 12), Map.entry("thirteen", 13),
            Map.entry("fourteen", 14), Map.entry("fifteen", 15), Map.entry("sixteen", 16), Map.entry("seventeen", 17),
            Map.entry("eighteen", 18), Map.entry("nineteen", 19), Map.entry("twenty", 20), Map.entry("thirty", 30),
            Map.entry("forty", 40), Map.entry("fifty", 50), Map.entry("sixty", 60), Map.entry("seventy", 70),
            Map.entry("eighty", 80), Map.entry("ninety", 90), Map.entry("dozen", 12), Map.entry("both", 2));
    private static final Map<String, Integer> LARGE = Map.of("hundred", 100, "thousand", 1000, "dozen", 12);

    /** The number that begins at a word; empty when none does. */
    static Optional<SpokenNumber> at(List<Word> words, int i) {
        if (i >= words.size() || words.get(i).isBreak()) {
            return Optional.empty();
        }
        int used = 0;
        String first = words.get(i).text();
        double value;
        if (first.matches("\\d{1,3}(,\\d{3})+|\\d{1,9}([.]\\d+)?")) {
            value = Double.parseDouble(first.replace(",", ""));
            used = 1;
            // 1,200 is cut at its comma into words.
            if (first.matches("\\d{1,3}") && text(words, i + 1).equals(",") && text(words, i + 2).matches("\\d{3}")
                    && words.get(i + 1).from() == words.get(i).to() && words.get(i + 2).from() == words.get(i + 1).to()) {
                value = value * 1000 + Integer.parseInt(text(words, i + 2));
                used = 3;
            }
        } else if ((first.equals("a") || first.equals("an")) && text(words, i + 1).equals("couple")) {
            value = 2;
            used = text(words, i + 2).equals("of") ? 3 : 2;
        } else if (first.equals("a") && LARGE.containsKey(text(words, i + 1))) {
            value = 1;
            used = 1;
        } else if (tens(first) >= 0) {
            value = tens(first);
            used = 1;
            if (value >= 20 && value % 10 == 0 && SMALL.getOrDefault(text(words, i + 1), 10) < 10) {
                value += SMALL.get(text(words, i + 1));
                used = 2;
            }
        } else {
            return Optional.empty();
        }
        Integer scale = LARGE.get(text(words, i + used));
        if (scale != null && !(first.equals("dozen"))) {
            value *= scale;
            used++;
        }
        return Optional.of(new SpokenNumber(value, used));
    }

    private static int tens(String word) {
        if (SMALL.containsKey(word)) {
            return SMALL.get(word);
        }
        String[] parts = word.split("-");
        return parts.length == 2 && SMALL.getOrDefault(parts[0], 0) >= 20 && SMALL.getOrDefault(parts[1], 10) < 10
                ? SMALL.get(parts[0]) + SMALL.get(parts[1]) : -1;
    }

    private static String text(List<Word> words, int i) {
        return i < words.size() ? words.get(i).text() : "";
    }
}
