package org.brantel.core.finding;

import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import org.brantel.core.content.Extent;
import org.brantel.core.hash.Hashes;
import org.jspecify.annotations.Nullable;

/**
 * When findings of a case's sessions are the same file, and which of them speaks for it. Findings that share a key are
 * one line of the catalogue, and so are those that are joined by others; both orders below are total, so that it does
 * not matter in which order sessions come in. Where bytes lie says nothing of another medium: keys that speak of places
 * bear the medium's name, which is empty for one of them.
 */
public final class Catalogue {

    private static final int LONGEST_KEY = 200;
    private static final String PLACE = "bytes";

    /** The better content first: what is more surely whole. */
    public static final Comparator<Finding> BETTER_CONTENT = Comparator.comparing(Finding::prognosis)
            .thenComparing(Comparator.comparingInt(Finding::score).reversed())
            .thenComparing(f -> f.proven() == null ? -1 : f.proven(), Comparator.reverseOrder())
            .thenComparing(f -> f.extents().size())
            .thenComparingLong(Finding::firstByte)
            .thenComparing(f -> String.join(" ", f.reasons()));

    /** The better name first: one that a record gives, of a file that is there before one of a file that is gone. */
    public static final Comparator<Finding> BETTER_NAME = Comparator.<Finding, Integer>comparing(
                    f -> f.path() == null ? 1 : 0)
            .thenComparing(Finding::origin)
            .thenComparing(f -> f.modified() == null ? 1 : 0)
            .thenComparing(f -> f.path() == null ? f.name() : f.path())
            .thenComparing(f -> f.suggestedName() == null ? "" : f.suggestedName())
            .thenComparing(f -> f.record().at() == null ? -1L : f.record().at());

    private Catalogue() {}

    /**
     * The keys of a finding: where its bytes are, and its hash once it has one. Where the bytes at hand are in doubt or
     * another file's, their equality says nothing of what a record names, and the record stands for itself; what was
     * found by its content is its bytes, doubted or not.
     */
    public static List<String> keys(Finding finding, String medium) {
        String place = place(finding, medium);
        if (place == null) {
            String record = "record:" + finding.volume() + ":" + finding.path() + ":" + finding.size() + ":"
                    + finding.firstByte();
            return List.of(on(medium, shortened(record)));
        }
        return finding.sha256() == null ? List.of(place) : List.of(place, hashKey(finding.sha256()));
    }

    /**
     * The key that says where a finding's bytes are; null where they say nothing of what the finding is, and need not
     * be hashed.
     */
    public static @Nullable String place(Finding finding, String medium) {
        if (!hasPlace(finding)) {
            return null;
        }
        StringBuilder bytes = new StringBuilder(PLACE).append(':').append(finding.size());
        if (finding.encoding() != null) {
            bytes.append(':').append(finding.encoding().word());
        }
        for (Extent e : finding.extents()) {
            bytes.append(':').append(e.offset()).append('+').append(e.length());
        }
        return on(medium, shortened(bytes.toString()));
    }

    /** Whether where its bytes are says what a finding is. */
    public static boolean hasPlace(Finding finding) {
        boolean inDoubt = finding.prognosis().compareTo(Prognosis.DOUBTFUL) >= 0 && finding.origin() != Origin.CARVED;
        return !inDoubt && finding.size() > 0;
    }

    private static String on(String medium, String key) {
        return medium.isEmpty() ? key : key + "@" + medium;
    }

    /** Whether a key is one that {@link #place} gives. */
    public static boolean isPlace(String key) {
        return key.startsWith(PLACE);
    }

    /** The key that is the same for the same bytes, wherever they are. */
    public static String hashKey(String sha256) {
        return "sha256:" + sha256;
    }

    /**
     * Under what else a finding can be found by {@link #looksFor} of another: content that is doubted has no end that
     * could be trusted, so that where it begins is all that tells it from a named file that begins there.
     */
    public static List<String> standsFor(Finding finding, String medium) {
        return isNamed(finding)
                ? List.of(begins(finding, medium))
                : isDoubted(finding) ? List.of(doubted(finding, medium)) : List.of();
    }

    private static String begins(Finding finding, String medium) {
        return on(medium, "begins:" + finding.firstByte());
    }

    private static String doubted(Finding finding, String medium) {
        return on(medium, "doubted:" + finding.firstByte());
    }

    /**
     * What else would be the same file, where it has no name yet: for a named one what content was doubted there, for
     * doubted content the named one, or the same differently seen.
     */
    public static List<String> looksFor(Finding finding, String medium) {
        return isNamed(finding)
                ? List.of(doubted(finding, medium))
                : isDoubted(finding) ? List.of(begins(finding, medium), doubted(finding, medium)) : List.of();
    }

    /** Whether a record names it that can be believed. */
    public static boolean isNamed(Finding f) {
        return f.origin() != Origin.CARVED
                && f.prognosis().compareTo(Prognosis.GAPPED) <= 0
                && f.firstByte() >= 0
                && f.size() > 0;
    }

    private static boolean isDoubted(Finding f) {
        return f.origin() == Origin.CARVED && f.prognosis() == Prognosis.DOUBTFUL && f.firstByte() >= 0;
    }

    /** Keys are looked up by an index, which holds no long ones. */
    private static String shortened(String key) {
        if (key.length() <= LONGEST_KEY) {
            return key;
        }
        byte[] bytes = key.getBytes(StandardCharsets.UTF_8);
        return key.substring(0, key.indexOf(':')) + "#" + Hashes.sha256Hex(bytes, 0, bytes.length);
    }

    /** How good a finding is, the smaller the better; for comparing two sessions' findings of one file. */
    public static int rank(Finding finding) {
        return finding.prognosis().ordinal() * 1000 + 100 - finding.score();
    }
}
