package org.brantel.core.estimate;

/**
 * One session of this lab that ended.
 *
 * @param work    what the session did
 * @param medium  the medium's type
 * @param healthy whether it read without a fault; sessions of both sorts are never mixed
 * @param bytes   got through
 * @param seconds of work, rests included
 */
public record Measured(Work work, String medium, boolean healthy, long bytes, double seconds) {

    /** Work whose pace is worth comparing. */
    public enum Work {
        IMAGING,
        STRUCTURE,
        CARVE
    }

    double rate() {
        return bytes / seconds;
    }

    boolean isUsable() {
        return bytes >= 1 << 20 && seconds > 0.05;
    }
}
