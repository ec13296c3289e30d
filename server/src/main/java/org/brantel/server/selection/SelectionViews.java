package org.brantel.server.selection;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Selections as the wire has them. */
public final class SelectionViews {

    private SelectionViews() {}

    /**
     * @param what    was chosen or given up, in words
     * @param chosen  lines that were not chosen before
     * @param givenUp lines that were
     */
    public record Change(
            long id,
            String what,
            String who,
            Instant at,
            long chosen,
            long givenUp,
            @Nullable String takenBackBy,
            @Nullable Instant takenBackAt) {}

    /** A selection that is kept under a name. */
    public record Kept(long id, String name, String keptBy, Instant keptAt, long files) {}
}
