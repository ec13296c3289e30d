package org.brantel.core.imaging;

import org.brantel.core.bytes.Range;
import org.brantel.core.health.HealthReading;
import org.brantel.core.image.ReadMap;
import org.jspecify.annotations.Nullable;

/** Hears what an imaging session does, on its own thread. */
public interface ImagingListener {

    /** After each step; the map is the session's own and must not be kept. */
    default void stepped(ReadMap map, Planner.Step step, long nanos) {}

    /** A stretch that did not read. */
    default void fault(Range range, Pass pass) {}

    /** The device was asked for its health. */
    default void health(HealthReading reading) {}

    /**
     * Told before every request and while there is none.
     *
     * @param ordered why somebody wants a rest, or null
     * @param warm    the temperature limit that asks for one, or null; when both are null it does not rest
     */
    default void resting(@Nullable String ordered, @Nullable LimitReached warm) {}

    /** @param bytes bytes of the image that the closing hash has seen */
    default void hashing(long bytes, long size) {}
}
