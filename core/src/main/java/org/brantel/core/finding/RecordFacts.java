package org.brantel.core.finding;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a file's record says beside name, size and times.
 *
 * @param at          where the record lies in the source, in bytes; null without one
 * @param attributes  in the file system's own words: {@code read-only}, {@code hidden}, {@code compressed},
 *                    {@code 0644}
 * @param deleted     when it was deleted, where that is kept; UTC
 * @param trashedFrom where it lay before it was put into the trash; null when it is not in a trash
 */
public record RecordFacts(
        @Nullable Long at,
        List<String> attributes,
        @Nullable Instant deleted,
        @Nullable String trashedFrom) {

    public static final RecordFacts NONE = new RecordFacts(null, List.of(), null, null);

    public RecordFacts {
        attributes = List.copyOf(attributes);
    }

    public static RecordFacts at(long at, List<String> attributes) {
        return new RecordFacts(at, attributes, null, null);
    }

    public RecordFacts deletedAt(@Nullable Instant when) {
        return new RecordFacts(at, attributes, when, trashedFrom);
    }

    public RecordFacts trashed(@Nullable Instant when, String from) {
        return new RecordFacts(at, attributes, when, from);
    }
}
