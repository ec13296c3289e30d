package org.brantel.server.copies;

import com.fasterxml.jackson.annotation.JsonValue;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What others see of the search for a copy. */
final class CopyViews {

    private CopyViews() {}

    /**
     * @param places every kind of place at least once, in a fixed order
     * @param lines  the wanted lines
     * @param lostAt when the loss was, as far as it was said; null where it was not
     */
    record Search(
            List<Looked> places,
            List<Covered> lines,
            @Nullable Instant lostAt) {}

    /**
     * One place.
     *
     * @param id        null for one that nobody looked at
     * @param called    which of several; empty for the only one
     * @param afterLoss what is newest there is newer than the loss, so that it may hold the loss itself
     * @param noted     absent for one that nobody looked at
     */
    record Looked(
            @Nullable Long id,
            CopyPlace place,
            String called,
            Finding finding,
            boolean afterLoss,
            @Nullable Noted noted) {}

    /**
     * What was found there.
     *
     * @param lookedBy of the lab, or somebody who is with the customer
     * @param newest   the day of what is newest in it; null where nobody said
     * @param opened   what of it was opened, as a sample; empty while nothing was
     * @param covers   numbers of wanted lines that it holds
     */
    record Finding(
            Result result,
            String lookedBy,
            @Nullable LocalDate newest,
            String opened,
            List<Long> covers,
            String words) {

        boolean isOpened() {
            return result == Result.FOUND && !opened.isEmpty();
        }

        /** As it is while only these lines are wanted. */
        Finding among(Set<Long> wanted) {
            return new Finding(
                    result,
                    lookedBy,
                    newest,
                    opened,
                    covers.stream().filter(wanted::contains).toList(),
                    words);
        }

        static final Finding NONE = new Finding(Result.TO_LOOK, "", null, "", List.of(), "");
    }

    record Noted(String who, Instant at) {}

    /** How much of a wanted line a copy holds. */
    enum Cover {
        /** A copy holds it, of which a sample was opened. */
        COVERED,
        /** A copy is said to hold it; nobody opened anything of it. */
        SAID,
        UNCOVERED;

        /** As it goes over the wire. */
        @JsonValue
        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    record Covered(long wantedId, String words, boolean mustHave, Cover cover) {}
}
