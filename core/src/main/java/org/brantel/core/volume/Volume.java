package org.brantel.core.volume;

import org.brantel.core.source.Range;

/**
 * A file system found on a medium.
 *
 * @param fs      {@code fat12}, {@code fat16}, {@code fat32}
 * @param state   {@code live}, {@code lost} or {@code earlier}
 * @param foundBy how it was found, in words
 */
public record Volume(int index, String fs, String label, long startByte, long lengthBytes, long clusterBytes,
                     String state, String foundBy) {

    public Range range() {
        return new Range(startByte, lengthBytes);
    }
}
