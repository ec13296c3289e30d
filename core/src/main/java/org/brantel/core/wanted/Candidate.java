package org.brantel.core.wanted;

import java.time.Instant;
import java.util.Map;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.jspecify.annotations.Nullable;

/**
 * What is known of a finding when a wanted line is held against it.
 *
 * @param changed     the record's time, UTC; null when none is kept
 * @param inside      whether it is a part of another finding, like the preview in a photo
 * @param about       what the content says of itself, by {@link org.brantel.core.kind.About}'s words
 */
public record Candidate(
        Where where,
        String kind,
        long size,
        @Nullable Instant changed,
        boolean inside,
        Map<String, String> about,
        Prognosis prognosis) {

    /**
     * @param name        as the record gives it; of carved content only where it was found, which says nothing
     * @param path        within its volume; null when no record names it
     * @param trashedFrom where a trashed file lay before, empty when it was trashed and no record says from where,
     *                    null when it was not trashed
     */
    public record Where(
            String name, @Nullable String path, @Nullable String trashedFrom) {}

    public Candidate {
        about = about == null ? Map.of() : about;
    }

    public static Candidate of(Finding f) {
        return new Candidate(
                new Where(f.name(), f.path(), f.record().trashedFrom()),
                f.kind(),
                f.size(),
                f.modified(),
                f.container() != null,
                f.about(),
                f.prognosis());
    }

    public String name() {
        return where.name();
    }

    public @Nullable String path() {
        return where.path();
    }

    /** Where it lay when it was somebody's: for a trashed file the place it came from; null when nothing says so. */
    @Nullable
    String place() {
        String trashedFrom = where.trashedFrom();
        return trashedFrom == null ? where.path() : trashedFrom.isEmpty() ? null : trashedFrom.replace('\\', '/');
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
