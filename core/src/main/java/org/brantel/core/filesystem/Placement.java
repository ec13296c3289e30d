package org.brantel.core.filesystem;

import java.util.List;
import org.brantel.core.content.Extent;

/** Where a record says that a file's bytes are. */
public sealed interface Placement {

    /** In file order; empty where no bytes are placed. */
    default List<Extent> extents() {
        return List.of();
    }

    /** In the volume's clusters, every one named. */
    record Known(List<Extent> extents) implements Placement {
        public Known {
            extents = List.copyOf(extents);
        }
    }

    /** In the record itself, or where no cluster is given out: nothing else can be written there. */
    record InRecord(List<Extent> extents) implements Placement {
        public InRecord {
            extents = List.copyOf(extents);
        }
    }

    /**
     * The chain is erased; only its first cluster is known.
     *
     * @param scattered its record says that its clusters did not follow each other
     */
    record Erased(long firstCluster, boolean scattered) implements Placement {}

    /** Only the name is left; nothing leads to its bytes. */
    record Lost(String why) implements Placement {}
}
