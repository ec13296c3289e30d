package org.brantel.core.spoken;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * {@code no wait}, {@code sorry}, {@code hang on}, {@code I mean}: what was said just before is taken back by what
 * follows.
 */
final class Corrections {

    /** The text of the break that stands where a correction is made. */
    static final String MARK = "~";

    private static final List<List<String>> MARKS = List.of(
            List.of("no", "wait"),
            List.of("no", "hang", "on"),
            List.of("no", "hold", "on"),
            List.of("hang", "on"),
            List.of("hold", "on"),
            List.of("no", "sorry"),
            List.of("sorry"),
            List.of("i", "mean"),
            List.of("i", "meant"),
            List.of("or", "rather"),
            List.of("scratch", "that"),
            List.of("correction"),
            List.of("make", "that"),
            List.of("no", "no"),
            List.of("wait"),
            List.of("no", "actually"),
            List.of("actually", "no"),
            List.of("well", "no"),
            List.of("no", "i", "tell", "a", "lie"),
            List.of("thats", "wrong"),
            List.of("my", "mistake"),
            List.of("that", "is", "to", "say"),
            List.of("or", "no"),
            List.of("oh", "no"),
            List.of("no", "not"));
    /** Words that only lead over to what is meant, after a mark. */
    private static final Set<String> LEADS =
            Set.of("it", "its", "is", "was", "thats", "that", "the", "rather", "actually", "more", "like");

    private Corrections() {}

    /** The words with each correction made one break. */
    static List<Word> marked(List<Word> words) {
        List<Word> marked = new ArrayList<>();
        for (int i = 0; i < words.size(); ) {
            int end = longest(words, i);
            if (end == i && isPlainNo(words, i)) {
                end = i + 1;
            }
            if (end > i
                    && !marked.isEmpty()
                    && !marked.get(marked.size() - 1).text().equals("?")
                    && end < words.size()
                    && isApart(words, i, end)) {
                while (end < words.size() && words.get(end).isBreak()) {
                    end++;
                }
                if (marked.get(marked.size() - 1).isBreak()) {
                    marked.remove(marked.size() - 1);
                }
                marked.add(
                        new Word(MARK, words.get(i).from(), words.get(end - 1).to(), true));
                i = end;
            } else {
                marked.add(words.get(i++));
            }
        }
        return marked;
    }

    /** {@code on tuesday, no, wednesday}. */
    private static boolean isPlainNo(List<Word> words, int i) {
        return words.get(i).text().equals("no")
                && i > 0
                && words.get(i - 1).text().equals(",")
                && i + 1 < words.size()
                && words.get(i + 1).text().equals(",");
    }

    private static int longest(List<Word> words, int start) {
        int best = start;
        for (List<String> mark : MARKS) {
            int at = start;
            int met = 0;
            while (met < mark.size() && at < words.size()) {
                if (words.get(at).text().equals(mark.get(met))) {
                    met++;
                } else if (met == 0 || !words.get(at).text().equals(",")) {
                    break;
                }
                at++;
            }
            if (met == mark.size() && at > best) {
                best = at;
            }
        }
        return best;
    }

    /**
     * A mark stands between breaks, or is long enough to be nothing else: {@code sorry} and {@code wait} alone are
     * words like others.
     */
    private static boolean isApart(List<Word> words, int start, int end) {
        boolean before = start > 0 && words.get(start - 1).isBreak();
        boolean after =
                words.get(end).isBreak() || LEADS.contains(words.get(end).text());
        return before || end - start > 1 && after;
    }
}
