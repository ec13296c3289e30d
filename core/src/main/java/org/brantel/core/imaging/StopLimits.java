package org.brantel.core.imaging;

/**
 * When a session stops by itself. 0 is no limit.
 *
 * @param faultsInRow requests in a row that met a fault, in the passes that look for what reads
 * @param faultsInAll requests that met a fault, in this session
 * @param celsius     the device rests above it until it is five degrees cooler
 * @param growth      of reallocated, pending and uncorrectable sectors together, since the session's first reading
 * @param minutes     of reading in this session
 */
public record StopLimits(int faultsInRow, int faultsInAll, int celsius, int growth, int minutes) {

    public static final StopLimits NONE = new StopLimits(0, 0, 0, 0, 0);

    public StopLimits {
        if (faultsInRow < 0 || faultsInAll < 0 || celsius < 0 || growth < 0 || minutes < 0) {
            throw new IllegalArgumentException("A stop limit is a number from 0, and 0 is none.");
        }
    }
}
