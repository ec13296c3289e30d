package org.brantel.core.imaging;

import org.brantel.core.source.Range;
import org.brantel.core.source.ReadMap;

/** Hears what an imaging session does, on its own thread. */
public interface ImagingListener {

    /** After each step; the map is the session's own and must not be kept. */
    default void stepped(ReadMap map, Planner.Step step, long nanos) { }

    /** A stretch that did not read. */
    default void fault(Range range, Pass pass) { }

    /** The map is safely on disk up to here. */
    default void saved(ReadMap map) { }

    /** @param bytes bytes of the image that the closing hash has seen */
    default void hashing(long bytes, long size) { }
}
