package org.brantel.server.catalogue;

import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.RecordFacts;

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
                text(f.path()),
                text(f.name()),
                f.size(),
                f.kind(),
                f.origin(),
                f.prognosis(),
                f.score(),
                f.reasons().stream().map(Storable::text).toList(),
                f.extents(),
                f.encoding(),
                f.created(),
                f.modified(),
                f.accessed(),
                f.sha256(),
                text(f.suggestedName()),
                f.container(),
                text(f.note()),
                new RecordFacts(record.at(), record.attributes(), record.deleted(), text(record.trashedFrom())),
                texts(f.about()));
    }

    private static Map<String, String> texts(Map<String, String> facts) {
        Map<String, String> stored = new TreeMap<>();
        facts.forEach((what, said) -> stored.put(text(what), text(said)));
        return stored;
    }

    private static String text(String found) {
        return found == null ? null : NOT_TEXT.matcher(found).replaceAll("\uFFFD");
    }
}
