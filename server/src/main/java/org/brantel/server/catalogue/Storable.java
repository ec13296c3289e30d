package org.brantel.server.catalogue;

import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.jspecify.annotations.Nullable;

/**
 * What a hostile or damaged medium calls its files may hold what no database takes as text: NUL, and halves of
 * characters of UTF-16. Each becomes U+FFFD; the session's own file keeps them as found.
 */
final class Storable {

    /** Halves that stand in pairs are characters, and not matched. */
    private static final Pattern NOT_TEXT = Pattern.compile("[\\x00\\p{Cs}]");

    private Storable() {}

    static Finding of(Finding f) {
        RecordFacts record = f.record();
        return new Finding(
                f.id(),
                f.volume(),
                f.origin(),
                new Named(orNull(f.path()), text(f.name()), orNull(f.suggestedName())),
                new Times(f.created(), f.modified(), f.accessed()),
                new Verdict(
                        f.prognosis(),
                        f.score(),
                        f.reasons().stream().map(Storable::text).toList(),
                        f.proven()),
                new Content(f.size(), f.kind(), f.extents(), f.encoding(), f.sha256(), texts(f.about())),
                new Evidence(
                        new RecordFacts(
                                record.at(), record.attributes(), record.deleted(), orNull(record.trashedFrom())),
                        f.container(),
                        orNull(f.note())));
    }

    private static Map<String, String> texts(Map<String, String> facts) {
        Map<String, String> stored = new TreeMap<>();
        facts.forEach((what, said) -> stored.put(text(what), text(said)));
        return stored;
    }

    private static @Nullable String orNull(@Nullable String found) {
        return found == null ? null : text(found);
    }

    private static String text(String found) {
        return NOT_TEXT.matcher(found).replaceAll("\uFFFD");
    }
}
