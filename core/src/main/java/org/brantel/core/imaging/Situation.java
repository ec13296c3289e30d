package org.brantel.core.imaging;

import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.image.Bookmark;
import org.brantel.core.image.ReadMap;

/** What all passes see: the map, the profile in force, and how this device behaves. */
final class Situation {

    /** Clean requests after which the usual speed is known well enough to call another one slow. */
    private static final int KNOWN = 16;

    private static final double WEIGHT = 0.05;
    /** A request is never slow that takes less than this, whatever the others took. */
    private static final long QUICK_NANOS = 20_000_000;

    final ReadMap map;
    final int sectorSize;
    CareProfile profile;
    Bookmark rounds;
    /** The device blames single sectors, so that what stands behind them was not asked for. */
    boolean namesFaults;

    private double usualNanosPerByte;
    private int cleanRequests;

    Situation(ReadMap map, CareProfile profile, int sectorSize, Bookmark rounds) {
        this.map = map;
        this.profile = profile;
        this.sectorSize = sectorSize;
        this.rounds = rounds;
    }

    /**
     * Learns from a request that was made.
     *
     * @return whether it was trouble: a fault, or much slower than is usual
     */
    boolean isTrouble(Range range, ReadOutcome outcome) {
        if (!outcome.isClean()) {
            namesFaults = !outcome.named().isEmpty();
            return true;
        }
        double pace = (double) outcome.nanos() / range.length();
        boolean slow = cleanRequests >= KNOWN
                && outcome.nanos() > QUICK_NANOS
                && pace > usualNanosPerByte * profile.slowTimes();
        // Small requests are mostly seeks; they say nothing about how fast the medium passes by.
        if (!slow && range.length() >= profile.blockBytes()) {
            cleanRequests++;
            usualNanosPerByte = cleanRequests == 1 ? pace : usualNanosPerByte + WEIGHT * (pace - usualNanosPerByte);
        }
        return slow;
    }

    /** Large blocks end on their own multiples, so that a resumed sweep makes the same requests. */
    Range firstBlock(Range run) {
        long boundary = (run.offset() / profile.blockBytes() + 1) * profile.blockBytes();
        return new Range(run.offset(), Math.min(run.length(), boundary - run.offset()));
    }

    Range sector(long at) {
        return new Range(at, Math.min(sectorSize, map.size() - at));
    }

    long align(long offset) {
        return offset >= map.size() ? map.size() : offset / sectorSize * sectorSize;
    }
}
