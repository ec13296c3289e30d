package org.brantel.core.wanted;

import java.time.Instant;
import java.util.Map;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.jspecify.annotations.Nullable;

/**
 * What is known of a finding when a wanted line is held against it.
 *
 * @param name        as the record gives it; of carved content only where it was found, which says nothing
 * @param path        within its volume; null when no record names it
 * @param changed     the record's time, UTC; null when none is kept
 * @param trashedFrom where a trashed file lay before, empty when it was trashed and no record says from where, null
 *                    when it was not trashed
 * @param inside      whether it is a part of another finding, like the preview in a photo
 * @param about       what the content says of itself, by {@link org.brantel.core.kind.About}'s words
 */
public record Candidate(
        String name,
        @Nullable String path,
        String kind,
        long size,
        @Nullable Instant changed,
        @Nullable String trashedFrom,
        boolean inside,
        Map<String, String> about,
        Prognosis prognosis) {

    public Candidate {
        about = about == null ? Map.of() : about;
    }

    public static Candidate of(Finding f) {
        return new Candidate(
                f.name(),
                f.path(),
                f.kind(),
                f.size(),
                f.modified(),
                f.record().trashedFrom(),
                f.container() != null,
                f.about(),
                f.prognosis());
    }

    /** Where it lay when it was somebody's: for a trashed file the place it came from; null when nothing says so. */
    @Nullable
    String place() {
        return trashedFrom == null ? path : trashedFrom.isEmpty() ? null : trashedFrom.replace('\\', '/');
    }

    /** Its own name; null when it is lost. */
    @Nullable
    String ownName() {
        String place = place();
        return place == null ? null : nameIn(place);
    }

    static String nameIn(String place) {
        return place.substring(place.lastIndexOf('/') + 1);
    }

    String about(String what) {
        return about.getOrDefault(what, "");
    }
}
