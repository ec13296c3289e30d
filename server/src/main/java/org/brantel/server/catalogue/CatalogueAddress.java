package org.brantel.server.catalogue;

import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.brantel.core.question.Question;
import org.jspecify.annotations.Nullable;

/**
 * A filter as an address has it; see {@link CatalogueFilter}.
 *
 * @param folder the same folder as each session has it
 */
record CatalogueAddress(
        @Nullable List<String> kind,
        @Nullable List<String> origin,
        @Nullable List<String> prognosis,

        @Nullable @Size(max = Question.LONGEST, message = QuestionController.LONGEST)
        String q,

        @Nullable Long wanted,
        @Nullable String fit,
        @Nullable Boolean selectedOnly,
        @Nullable Long foundBy,
        @Nullable Long notFoundBy,
        @Nullable Long worseIn,

        @Nullable
        List<
                        @Pattern(
                                regexp = CatalogueFilter.VOLUME,
                                message = "A volume is a session and its number, like 3:1.")
                        String>
                volumes,

        @Nullable @Size(max = CatalogueFilter.SESSIONS, message = CatalogueFilter.FOLDERS)
        List<Long> folder,

        @Nullable Boolean below,
        @Nullable Boolean nameless) {

    CatalogueFilter filter() {
        return new CatalogueFilter(
                orNone(kind),
                orNone(origin),
                orNone(prognosis),
                q,
                new CatalogueFilter.Asked(wanted, fit),
                Boolean.TRUE.equals(selectedOnly),
                new CatalogueFilter.BySession(foundBy, notFoundBy, worseIn, volumes),
                new CatalogueFilter.Place(folder, Boolean.TRUE.equals(below), Boolean.TRUE.equals(nameless)));
    }

    private static List<String> orNone(@Nullable List<String> some) {
        return some == null ? List.of() : some;
    }
}
