package org.brantel.core.bytes;

import java.util.List;

/**
 * What one read brought.
 *
 * @param failed ranges inside the request that were not delivered, in source offsets, sector-aligned and ascending; the
 *               buffer holds zeros there. Empty when everything was read.
 * @param named  those parts of {@code failed} that the medium itself blames, sector by sector. What failed and is not
 *               named was not reached: it may read when it is asked for by itself. Empty when the medium only says
 *               that the request failed.
 * @param nanos  how long the medium took
 */
public record ReadOutcome(List<Range> failed, List<Range> named, long nanos) {

    /** The medium says that these were not delivered, and no more. */
    public ReadOutcome(List<Range> failed, long nanos) {
        this(failed, List.of(), nanos);
    }

    public static ReadOutcome clean(long nanos) {
        return new ReadOutcome(List.of(), List.of(), nanos);
    }

    public boolean isClean() {
        return failed.isEmpty();
    }
}
