package org.brantel.core.triage;

import java.util.Collection;
import java.util.Comparator;

/** The word of a list that was most likely meant: smallest edit distance, then alphabetical order. */
final class Nearest {

    private Nearest() {}

    static String of(String word, Collection<String> known) {
        return known.stream()
                .min(Comparator.comparingInt((String k) -> distance(word, k)).thenComparing(Comparator.naturalOrder()))
                .orElse("");
    }

    private static int distance(String a, String b) {
        int[] row = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            row[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int next = Math.min(
                        Math.min(row[j], row[j - 1]) + 1, diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1));
                diagonal = row[j];
                row[j] = next;
            }
        }
        return row[b.length()];
    }
}
