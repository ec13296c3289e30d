package org.brantel.core.filesystem;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.brantel.core.content.Extent;
import org.jspecify.annotations.Nullable;

/** Since when live files hold their clusters, as far as their records say. */
final class Owners {

    private record Owner(long end, @Nullable Instant since) {}

    private final TreeMap<Long, Owner> byFirstByte = new TreeMap<>();

    void add(Extent extent, @Nullable Instant since) {
        byFirstByte.put(extent.offset(), new Owner(extent.offset() + extent.length(), since));
    }

    /** When the live file that holds a cluster came there; empty when nobody is known to hold it, or since when. */
    Optional<Instant> since(long clusterStart) {
        Map.Entry<Long, Owner> owner = byFirstByte.floorEntry(clusterStart);
        boolean holds = owner != null && clusterStart < owner.getValue().end();
        return holds ? Optional.ofNullable(owner.getValue().since()) : Optional.empty();
    }
}
