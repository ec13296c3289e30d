package org.brantel.core.wanted;

import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Words as people compare them: without accents, in one case, parted by whatever parts them. */
final class PlainWords {

    private static final Pattern ACCENTS = Pattern.compile("\\p{M}+");
    private static final Pattern HUMP = Pattern.compile("(?<=\\p{Ll})(?=\\p{Lu})");
    private static final Pattern PARTS = Pattern.compile("[^\\p{L}\\p{N}]+");

    private PlainWords() {}

    /** Lower case without accents; letters that have a plain form get it. */
    static String flat(@Nullable String text) {
        String bare = ACCENTS.matcher(Normalizer.normalize(text, Normalizer.Form.NFKD))
                .replaceAll("")
                .toLowerCase(Locale.ROOT);
        return bare.replace("ß", "ss")
                .replace("æ", "ae")
                .replace("ø", "o")
                .replace("œ", "oe")
                .replace("ð", "d")
                .replace("þ", "th")
                .replace("ł", "l");
    }

    /** The words of a name, also where a capital begins one: {@code TideTables_2024} is {@code tide tables 2024}. */
    static String spaced(String text) {
        return PARTS.matcher(flat(HUMP.matcher(text).replaceAll(" ")))
                .replaceAll(" ")
                .strip();
    }

    /** Whether some words stand in a text, whole; a plural of the last is the same word. */
    static boolean holds(String text, String words) {
        String in = " " + spaced(text) + " ";
        String sought = spaced(words);
        return !sought.isEmpty() && (in.contains(" " + sought + " ") || in.contains(" " + sought + "s "));
    }

    static boolean holdsAny(String text, List<String> words) {
        return words.stream().anyMatch(w -> holds(text, w));
    }
}
