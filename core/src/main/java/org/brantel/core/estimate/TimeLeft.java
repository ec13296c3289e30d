package org.brantel.core.estimate;

import java.util.OptionalDouble;

/**
 * How long a scan session will still take: by its own rate in its last phase, before that by what others like it took
 * in this lab.
 */
public final class TimeLeft {

    private static final double ENOUGH_SECONDS = 2;

    private final String lastPhase;
    private final OptionalDouble likeIt;
    private String phase = "";
    private double phaseBegan;
    private long doneThen;

    /**
     * @param lastPhase the longest one, which ends it
     * @param likeIt    seconds that a session of this method takes here on this many bytes; empty when there was none
     */
    public TimeLeft(String lastPhase, OptionalDouble likeIt) {
        this.lastPhase = lastPhase;
        this.likeIt = likeIt;
    }

    /**
     * @param seconds since the session began
     * @return seconds; empty while nothing speaks for a number
     */
    public OptionalDouble at(String phaseNow, long done, long all, double seconds) {
        if (!phaseNow.equals(phase)) {
            phase = phaseNow;
            phaseBegan = seconds;
            doneThen = done;
        }
        double took = seconds - phaseBegan;
        if (phase.equals(lastPhase) && took >= ENOUGH_SECONDS && done > doneThen) {
            return OptionalDouble.of(took / (done - doneThen) * (all - done));
        }
        return likeIt.isPresent() && likeIt.getAsDouble() > seconds
                ? OptionalDouble.of(likeIt.getAsDouble() - seconds)
                : OptionalDouble.empty();
    }
}
