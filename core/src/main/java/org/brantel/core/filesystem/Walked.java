package org.brantel.core.filesystem;

import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;

/**
 * What a walk leaves for the search that follows it.
 *
 * @param free    the volume's free space, on the medium
 * @param folders places in the free space that were read as deleted folders: no search need find them again
 */
public record Walked(List<Range> free, RangeSet folders) {

    public Walked {
        free = List.copyOf(free);
    }

    public static Walked of(List<Range> free) {
        return new Walked(free, new RangeSet());
    }
}
