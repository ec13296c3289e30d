package org.brantel.server.proof;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import org.brantel.server.work.Standing;
import org.jspecify.annotations.Nullable;

/** The pictures of a contact sheet as the wire has them. */
public final class SheetViews {

    private SheetViews() {}

    /**
     * How far the pictures of a case are drawn.
     *
     * @param pictures findings that are pictures
     * @param looked   how many of them were tried, {@code drawn} of them could be drawn
     * @param run      the newest; absent where nobody asked for it yet
     */
    public record State(
            long pictures,
            long looked,
            long drawn,
            @Nullable Run run) {}

    /** @param total pictures that are to be drawn, {@code done} of them were tried and {@code undrawn} cannot be */
    public record Run(long id, @JsonUnwrapped Standing standing, int total, int done, int undrawn) {}
}
