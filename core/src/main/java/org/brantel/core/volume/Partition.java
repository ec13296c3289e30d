package org.brantel.core.volume;

import org.brantel.core.bytes.Range;

/**
 * An entry of a partition table.
 *
 * @param table  which table lists it, in words: {@code the master boot record}, {@code the GUID table},
 *               {@code the backup GUID table}
 * @param number as people count them: 1 to 4 primary and 5 on logical in a master boot record, from 1 in a GUID table
 * @param type   two hexadecimal digits, or a GUID
 * @param name   as the GUID table names it; empty without one
 */
public record Partition(String table, int number, String type, String name, Range range) {

    public String foundBy() {
        return "partition " + number + " of " + table;
    }
}
