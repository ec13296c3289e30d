package org.brantel.core.question;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A piece of a question: a word, words in quotation marks, or a mark.
 *
 * @param text   as it stands, without quotation marks and what ends a sentence
 * @param word   the same in lower case without apostrophes; a mark is itself; empty for what is quoted
 * @param from   where it starts in the question, in UTF-16 units
 * @param to     where it ends
 * @param quoted whether it stood in quotation marks, and means itself
 */
record Token(String text, String word, int from, int to, boolean quoted) {

    private static final Pattern PIECES =
            Pattern.compile("\"([^\"]*)\"?|[“”„]([^“”„\"]*)[“”\"]?|[(),;\\n]|[<>]=?|[≤≥]|[^\\s\"“”„(),;<>≤≥]+");
    private static final String MARKS = "(),;\n<=>=≤≥";
    /** What ends a sentence is no part of its last word; a question mark may stand for a letter in a pattern. */
    private static final Pattern ENDS = Pattern.compile("(?<=[^.:!?])[.:!]+$|(?<=^[^*?]{1,999})[?]+$");

    static List<Token> of(String question) {
        List<Token> tokens = new ArrayList<>();
        Matcher m = PIECES.matcher(question);
        while (m.find()) {
            String piece = m.group();
            String quoted = m.group(1) != null ? m.group(1) : m.group(2);
            if (quoted != null) {
                if (!quoted.isBlank()) {
                    tokens.add(new Token(quoted.strip(), "", m.start(), m.end(), true));
                }
            } else if (MARKS.contains(piece)) {
                tokens.add(new Token(piece, piece, m.start(), m.end(), false));
            } else {
                String bare = ENDS.matcher(piece).replaceFirst("");
                String plain = bare.toLowerCase(Locale.ROOT).replaceAll("['’]", "");
                tokens.add(new Token(bare, plain, m.start(), m.start() + bare.length(), false));
            }
        }
        return tokens;
    }

    boolean isComma() {
        return ",;\n".contains(word) && !word.isEmpty();
    }

    boolean isMark() {
        return !quoted && MARKS.contains(word);
    }

    boolean is(String... words) {
        return List.of(words).contains(word);
    }

    /** Letters or digits, not only signs. */
    boolean says() {
        return text.codePoints().anyMatch(Character::isLetterOrDigit);
    }
}
