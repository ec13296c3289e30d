package org.brantel.core.filesystem;

import java.util.function.BooleanSupplier;

/**
 * How a volume is walked.
 *
 * @param volume    its index in the session
 * @param checkLive read live files to their end and check them by their kind; deleted ones are checked in any case
 * @param stop      asked between records
 */
public record Walk(int volume, boolean checkLive, FindingSink sink, BooleanSupplier stop) {

    public boolean stopped() {
        return stop.getAsBoolean();
    }

    /** The same walk telling another sink. */
    public Walk to(FindingSink other) {
        return new Walk(volume, checkLive, other, stop);
    }
}
