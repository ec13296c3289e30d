package org.brantel.core.spoken;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Mends words that are typed wrongly in a hurry: one letter too many, too few, another, or two turned round, in a word
 * of the trade of six letters or more whose first and last letter are right. Everything shorter, and every word that is
 * one itself, stays.
 */
final class Spelling {

    private static final int SHORTEST = 6;
    private static final int LONG = 10;
    private static final Set<String> ORDINARY = ordinary();

    private final Set<String> known;
    private final List<String> stems;
    private final Map<String, String> mended = new HashMap<>();

    /** @param stems how words begin that may end in any way */
    Spelling(Set<String> known, List<String> stems) {
        this.known = known;
        this.stems = stems;
    }

    private static Set<String> ordinary() {
        try (InputStream in = Spelling.class.getResourceAsStream("ordinary.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(l -> !l.startsWith("#"))
                    .flatMap(l -> Stream.of(l.split(" ")))
                    .collect(Collectors.toUnmodifiableSet());
        } catch (IOException e) {
            throw new IllegalStateException("the ordinary words that ship with the product cannot be read", e);
        }
    }

    List<Word> mend(List<Word> words) {
        return words.stream()
                .map(w -> w.isBreak() || w.text().length() < SHORTEST - 1
                        ? w
                        : new Word(mend(w.text()), w.from(), w.to(), false))
                .toList();
    }

    private String mend(String word) {
        if (known.contains(word)
                || ORDINARY.contains(word)
                || stems.stream().anyMatch(word::startsWith)
                || !word.chars().allMatch(Character::isLetter)) {
            return word;
        }
        synchronized (mended) {
            return mended.size() > 10_000 ? nearest(word) : mended.computeIfAbsent(word, this::nearest);
        }
    }

    private String nearest(String word) {
        String best = word;
        int least = Integer.MAX_VALUE;
        for (String right : known) {
            int shorter = Math.min(word.length(), right.length());
            int allowed = shorter >= LONG ? 2 : 1;
            boolean plausible = right.length() >= SHORTEST - 1
                    && word.charAt(0) == right.charAt(0)
                    && Math.abs(word.length() - right.length()) <= allowed
                    && word.charAt(word.length() - 1) == right.charAt(right.length() - 1);
            if (plausible) {
                int distance = distance(word, right);
                boolean lettersOnly = shorter >= SHORTEST || sameLetters(word, right);
                if (distance <= allowed
                        && lettersOnly
                        && (distance < least || distance == least && right.compareTo(best) < 0)) {
                    least = distance;
                    best = right;
                }
            }
        }
        return best;
    }

    /** Only two letters turned round, or one doubled or not: the faults that are sure in a short word. */
    private static boolean sameLetters(String a, String b) {
        return a.chars()
                .sorted()
                .distinct()
                .boxed()
                .toList()
                .equals(b.chars().sorted().distinct().boxed().toList());
    }

    /** Insertions, deletions, changes, and neighbours turned round, each counted once. */
    private static int distance(String a, String b) {
        int[][] d = new int[a.length() + 1][b.length() + 1];
        for (int i = 0; i <= a.length(); i++) {
            for (int j = 0; j <= b.length(); j++) {
                if (i == 0 || j == 0) {
                    d[i][j] = i + j;
                    continue;
                }
                int same = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                d[i][j] = Math.min(Math.min(d[i - 1][j], d[i][j - 1]) + 1, d[i - 1][j - 1] + same);
                if (i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1)) {
                    d[i][j] = Math.min(d[i][j], d[i - 2][j - 2] + 1);
                }
            }
        }
        return d[a.length()][b.length()];
    }
}
