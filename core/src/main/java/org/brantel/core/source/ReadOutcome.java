package org.brantel.core.source;

import java.util.List;

/**
 * What one read brought.
 *
 * @param failed ranges inside the request that the medium did not deliver, in source offsets, sector-aligned and
 *               ascending; the buffer holds zeros there. Empty when everything was read.
 * @param nanos  how long the medium took
 */
public record ReadOutcome(List<Range> failed, long nanos) {

    public static ReadOutcome clean(long nanos) {
        return new ReadOutcome(List.of(), nanos);
    }

    public boolean isClean() {
        return failed.isEmpty();
    }
}
