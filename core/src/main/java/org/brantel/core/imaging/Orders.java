package org.brantel.core.imaging;

import java.io.IOException;
import java.util.Optional;

/** What those in charge want of a running session. Asked on the imaging thread, between two requests. */
@FunctionalInterface
public interface Orders {

    /** When true, what was read is saved and the run ends unfinished. */
    boolean stop();

    /** When true, no more is asked of the device: what was read is hashed, and the run ends as finished. */
    default boolean enough() {
        return false;
    }

    /** Why no request is to be made for now; the device stays attached. Empty to go on. */
    default Optional<String> rest() {
        return Optional.empty();
    }

    /** The profile from the next request on; empty to keep the one in force. */
    default Optional<CareProfile> profile() {
        return Optional.empty();
    }

    /** The limits from the next request on; empty for the profile's own. */
    default Optional<StopLimits> limits() {
        return Optional.empty();
    }

    /** Waits until so many bytes may be read. */
    default void pace(long bytes) throws IOException {}

    /** Seconds between two health readings. */
    default int healthSeconds() {
        return 60;
    }
}
