package org.brantel.core.scan;

import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.Range;
import org.brantel.core.carve.SuggestedNames;

/**
 * What a scan session is to do.
 *
 * @param volume        only this volume, or null for the whole medium
 * @param kinds         only these kinds; empty for all
 * @param search        look for lost volumes and for records of before a format in every sector of what is free;
 *                      without it only the records themselves are read
 * @param freeSpaceOnly carve only what no live file uses
 * @param range         carve only here; null for everywhere
 * @param everyByte     carve at every byte, not only where sectors begin
 * @param nested        carve also what begins inside a find
 * @param notAgain      carve none of this
 * @param names         for what no record names
 * @param hash          SHA-256 of every finding that is fully read
 */
public record ScanPlan(
        ScanMethod method,
        Integer volume,
        Set<String> kinds,
        boolean search,
        boolean freeSpaceOnly,
        Range range,
        boolean everyByte,
        boolean nested,
        List<Range> notAgain,
        SuggestedNames names,
        boolean hash) {

    public ScanPlan {
        notAgain = List.copyOf(notAgain);
        kinds = Set.copyOf(kinds);
    }

    public static ScanPlan of(ScanMethod method) {
        return new ScanPlan(
                method, null, Set.of(), true, false, null, false, false, List.of(), SuggestedNames.USUAL, false);
    }

    public ScanPlan onVolume(Integer index) {
        return new ScanPlan(
                method, index, kinds, search, freeSpaceOnly, range, everyByte, nested, notAgain, names, hash);
    }

    public ScanPlan ofKinds(Set<String> codes) {
        return new ScanPlan(
                method, volume, codes, search, freeSpaceOnly, range, everyByte, nested, notAgain, names, hash);
    }

    /** Records only, without a look into what is free. */
    public ScanPlan searching(boolean yes) {
        return new ScanPlan(method, volume, kinds, yes, freeSpaceOnly, range, everyByte, nested, notAgain, names, hash);
    }

    public ScanPlan inFreeSpace(boolean only) {
        return new ScanPlan(method, volume, kinds, search, only, range, everyByte, nested, notAgain, names, hash);
    }

    /** @param where null for everywhere */
    public ScanPlan carving(Range where, boolean atEveryByte) {
        return new ScanPlan(
                method, volume, kinds, search, freeSpaceOnly, where, atEveryByte, nested, notAgain, names, hash);
    }

    /** @param carved before, for no fewer kinds */
    public ScanPlan except(List<Range> carved) {
        return new ScanPlan(
                method, volume, kinds, search, freeSpaceOnly, range, everyByte, nested, carved, names, hash);
    }

    public ScanPlan nesting(boolean yes) {
        return new ScanPlan(method, volume, kinds, search, freeSpaceOnly, range, everyByte, yes, notAgain, names, hash);
    }

    public ScanPlan naming(SuggestedNames pattern) {
        return new ScanPlan(
                method, volume, kinds, search, freeSpaceOnly, range, everyByte, nested, notAgain, pattern, hash);
    }

    public ScanPlan hashing(boolean yes) {
        return new ScanPlan(
                method, volume, kinds, search, freeSpaceOnly, range, everyByte, nested, notAgain, names, yes);
    }

    boolean wants(String kind) {
        return kinds.isEmpty() || kinds.contains(kind);
    }
}
