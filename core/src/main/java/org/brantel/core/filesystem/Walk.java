package org.brantel.core.filesystem;

import java.util.function.BooleanSupplier;
import org.brantel.core.bytes.RangeSet;

/**
 * How a volume is walked.
 *
 * @param volume    its index in the session
 * @param checkLive read live files to their end and check them by their kind; deleted ones are checked in any case
 * @param taken     what a volume that was made over this one uses; empty for a volume that nothing lies over
 * @param stop      asked between records
 */
public record Walk(int volume, boolean checkLive, RangeSet taken, FindingSink sink, BooleanSupplier stop) {

    /** A walk over a volume that nothing lies over. */
    public Walk(int volume, boolean checkLive, FindingSink sink, BooleanSupplier stop) {
        this(volume, checkLive, new RangeSet(), sink, stop);
    }

    public boolean stopped() {
        return stop.getAsBoolean();
    }

    /** The same walk telling another sink. */
    public Walk to(FindingSink other) {
        return new Walk(volume, checkLive, taken, other, stop);
    }
}
