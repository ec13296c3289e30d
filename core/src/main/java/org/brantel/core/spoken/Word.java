package org.brantel.core.spoken;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One word of a spoken line, plain: lower case, without apostrophes; {@code does not}, {@code isn't} and their like are
 * one word {@code not}.
 *
 * @param text   the plain word; a break is its punctuation mark
 * @param from   where it starts in the line, in UTF-16 units
 * @param to     where it ends
 * @param isBreak ends a clause
 */
record Word(String text, int from, int to, boolean isBreak) {

    private static final Pattern PIECES =
            Pattern.compile("[\\p{L}\\p{M}\\p{N}*?]+(?:['’.*/_-][\\p{L}\\p{M}\\p{N}*?]+)*|[,;.!?:\\n()]|[\"“”]");
    private static final Set<String> AUXILIARIES = Set.of(
            "do", "does", "did", "is", "was", "are", "were", "will", "would", "can", "could", "has", "have", "had",
            "should");
    private static final Set<String> CONTRACTED = Set.of(
            "dont",
            "doesnt",
            "didnt",
            "isnt",
            "wasnt",
            "arent",
            "werent",
            "wont",
            "wouldnt",
            "cant",
            "cannot",
            "couldnt",
            "hasnt",
            "havent",
            "hadnt",
            "aint",
            "shouldnt");

    static final Set<String> NEGATORS = Set.of("not", "no", "never", "without", "nor", "neither", "nothing");

    static List<Word> of(String line) {
        List<Word> words = new ArrayList<>();
        Matcher m = PIECES.matcher(line);
        while (m.find()) {
            String piece = m.group();
            if (piece.length() == 1 && ",;.!?:\n()".contains(piece) && !piece.equals("*")) {
                words.add(new Word(piece, m.start(), m.end(), true));
                continue;
            }
            // A question mark at the end of a word asks; within one it stands for a letter of a name.
            boolean asks = piece.matches("[^*?]+[?]+");
            int end = asks ? m.start() + piece.indexOf('?') : m.end();
            String plain =
                    line.substring(m.start(), end).toLowerCase(Locale.ROOT).replaceAll("['’]", "");
            if (CONTRACTED.contains(plain)) {
                words.add(new Word("not", m.start(), end, false));
            } else if (plain.equals("not")
                    && !words.isEmpty()
                    && AUXILIARIES.contains(words.get(words.size() - 1).text)) {
                Word auxiliary = words.remove(words.size() - 1);
                words.add(new Word("not", auxiliary.from, end, false));
            } else {
                words.add(new Word(plain, m.start(), end, false));
            }
            if (asks) {
                words.add(new Word("?", end, m.end(), true));
            }
        }
        return withYears(words);
    }

    /** A year in words becomes one word in digits. */
    private static List<Word> withYears(List<Word> words) {
        List<Word> merged = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) {
            SpokenNumber year = SpokenNumber.yearAt(words, i).orElse(null);
            if (year == null) {
                merged.add(words.get(i));
            } else {
                merged.add(new Word(
                        String.valueOf((int) year.value()),
                        words.get(i).from,
                        words.get(i + year.words() - 1).to,
                        false));
                i += year.words() - 1;
            }
        }
        return merged;
    }

    boolean negates() {
        return NEGATORS.contains(text);
    }

    /** A year between 1950 and 2099, or 0. */
    int year() {
        return text.matches("(19[5-9]|20\\d)\\d") ? Integer.parseInt(text) : 0;
    }
}
