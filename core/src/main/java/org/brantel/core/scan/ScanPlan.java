package org.brantel.core.scan;

import java.util.Set;

/**
 * What a scan session is to do.
 *
 * @param volume        only this volume, or null for the whole medium
 * @param kinds         only these kinds; empty for all
 * @param search        look for lost volumes and for records of before a format in every sector of what is free; without it
 *                      only the records themselves are read
 * @param freeSpaceOnly carve only what no live file uses
 * @param hash          SHA-256 of every finding that is fully read
 */
public record ScanPlan(ScanMethod method, Integer volume, Set<String> kinds, boolean search, boolean freeSpaceOnly, boolean hash) {

    public ScanPlan {
        kinds = Set.copyOf(kinds);
    }

    public static ScanPlan of(ScanMethod method) {
        return new ScanPlan(method, null, Set.of(), true, false, false);
    }

    boolean wants(String kind) {
        return kinds.isEmpty() || kinds.contains(kind);
    }
}
