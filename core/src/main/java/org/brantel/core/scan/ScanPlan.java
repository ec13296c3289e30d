package org.brantel.core.scan;

import java.util.Set;

/**
 * What a scan session is to do.
 *
 * @param volume        only this volume, or null for the whole medium
 * @param kinds         only these kinds; empty for all
 * @param freeSpaceOnly carve only what no live file uses
 * @param hash          SHA-256 of every finding that is fully read
 */
public record ScanPlan(ScanMethod method, Integer volume, Set<String> kinds, boolean freeSpaceOnly, boolean hash) {

    public ScanPlan {
        kinds = Set.copyOf(kinds);
    }

    public static ScanPlan of(ScanMethod method) {
        return new ScanPlan(method, null, Set.of(), false, false);
    }

    boolean wants(String kind) {
        return kinds.isEmpty() || kinds.contains(kind);
    }
}
