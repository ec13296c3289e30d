package org.brantel.core.wanted;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The pattern of a name as people write one: {@code *} and {@code ?}, without accents, in any case; blanks, dashes and
 * underscores stand for one another. A piece that may stand anywhere is a word of its own there: {@code *ark*} is in
 * {@code the ark.doc} and {@code ark2.doc}, not in {@code parking.doc}. Without a wild card the pattern may stand
 * anywhere.
 */
final class NamePattern {

    /** What parts words in a name. */
    private static final String BREAK = "[^\\p{L}\\p{N}/]";

    private static final Pattern SHORT = Pattern.compile("([^.~]{1,6})~\\d{1,3}(\\.[^.]{0,3})?");
    private static final String LETTERS = "abcdefghijklmnopqrstuvwxyz0123456789";

    private final List<Pattern> forms = new ArrayList<>();
    private final boolean ofPlace;
    private final String letters;

    NamePattern(String pattern) {
        String text = pattern.indexOf('*') < 0 && pattern.indexOf('?') < 0 ? "*" + pattern + "*" : pattern;
        ofPlace = text.indexOf('/') >= 0;
        if (ofPlace && !text.startsWith("*") && !text.startsWith("/")) {
            text = "*/" + text;
        }
        // Compared once as it is written, and once with the words that capitals begin set apart.
        forms.add(Pattern.compile(regex(PlainWords.flat(text)), Pattern.DOTALL));
        letters = PlainWords.flat(text).replaceAll("[^\\p{L}\\p{N}]+", "");
    }

    private static String regex(String text) {
        StringBuilder regex = new StringBuilder();
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean first = i == 0;
            boolean last = i == text.length() - 1;
            if (c == '*') {
                boolean opens = !last && isLetter(text.charAt(i + 1));
                boolean closes = !first && isLetter(text.charAt(i - 1));
                if (first && opens && anywhere(text)) {
                    // What may stand anywhere begins a word.
                    regex.append("(?:.*").append(BREAK + "|.*/").append(")?");
                } else if (last && closes && anywhere(text)) {
                    // ... and ends one; a number or a plural may follow at once.
                    regex.append("s?(?:(?![\\p{L}]).*)?");
                } else if (opens && closes) {
                    // Between two words: nothing, or a break with anything beyond it.
                    regex.append("(?:s?(?![\\p{L}]).*")
                            .append("(?<![\\p{L}\\p{N}])")
                            .append(")?");
                } else {
                    regex.append(".*");
                }
            } else if (c == '?') {
                regex.append("[^/]");
            } else if (c == '/') {
                regex.append('/');
            } else if (isLetter(c)) {
                regex.append(Pattern.quote(String.valueOf(c)));
            } else {
                regex.append(BREAK).append('*');
            }
        }
        return regex.toString();
    }

    private static boolean anywhere(String text) {
        return text.startsWith("*") && text.endsWith("*");
    }

    private static boolean isLetter(char c) {
        return Character.isLetterOrDigit(c) || Character.isSurrogate(c);
    }

    /**
     * Of a name, or of a path where the pattern speaks of folders; a lost first letter, shown as {@code _}, is any
     * letter.
     */
    boolean isIn(String name) {
        if (matches(name)) {
            return true;
        }
        if (name.startsWith("_") || name.startsWith("?") || name.startsWith("\uFFFD")) {
            return LETTERS.chars().anyMatch(c -> matches(Character.toString(c) + name.substring(1)));
        }
        return false;
    }

    private boolean matches(String name) {
        String flat = PlainWords.flat(name);
        String humps = PlainWords.flat(name.replaceAll("(?<=\\p{Ll})(?=\\p{Lu})", " "));
        return forms.stream()
                .anyMatch(f -> f.matcher(flat).matches()
                        || !humps.equals(flat) && f.matcher(humps).matches());
    }

    /** Whether it speaks of folders, so that it is held against whole paths. */
    boolean isOfPlace() {
        return ofPlace;
    }

    /** Whether a name that was cut to its short form can be one that matches: {@code TIDETA~1.PDF}. */
    boolean mayBe(String name) {
        Matcher m = SHORT.matcher(name);
        if (!m.matches()) {
            return false;
        }
        String stem = PlainWords.flat(m.group(1)).replaceAll("[^\\p{L}\\p{N}]+", "");
        return letters.startsWith(stem)
                || name.startsWith("_")
                        && letters.length() > 1
                        && letters.substring(1).startsWith(stem);
    }
}
