package org.brantel.server.desk;

import java.util.Comparator;
import java.util.List;
import org.apache.commons.text.similarity.LevenshteinDistance;

/** Which words a mistyped one may have been meant for. */
final class NearWords {

    private static final int MOST = 4;
    /** Words of up to this many letters are forgiven one mistake, longer ones two. */
    private static final int SHORT = 5;

    private NearWords() {}

    /** How many letters may be wrong, missing or too many. */
    static int mistakes(String word) {
        return word.length() <= SHORT ? 1 : 2;
    }

    /** The nearest first; only the ones with the fewest mistakes count. */
    static List<String> of(String word, List<String> candidates) {
        LevenshteinDistance distance = new LevenshteinDistance(mistakes(word));
        int best = candidates.stream()
                .mapToInt(c -> distance.apply(word, c))
                .filter(d -> d >= 0)
                .min()
                .orElse(-1);
        return candidates.stream()
                .filter(c -> distance.apply(word, c) == best && best >= 0)
                .sorted(Comparator.naturalOrder())
                .limit(MOST)
                .toList();
    }
}
