package org.brantel.core.wanted;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * How a wanted line stands, each number from the records of its own step: hoped for, found, chosen, delivered.
 *
 * @param hopedFor  0 when nobody can say
 * @param found     by the scan sessions
 * @param chosen    findings that fit or may fit and are selected
 * @param delivered what is in the sealed bag; nothing before there is one
 * @param confirmed who of the lab said that these are them; null while nobody did
 */
public record WantedTally(
        long lineId,
        long hopedFor,
        Found found,
        long chosen,
        Delivered delivered,
        @Nullable Confirmed confirmed) {

    /**
     * Findings, without those whose content is gone.
     *
     * @param whole  fit, and are whole
     * @param partly fit, with gaps or in doubt
     * @param mayFit of which nobody can say whether they are meant
     */
    public record Found(long whole, long partly, long mayFit) {

        public static final Found NONE = new Found(0, 0, 0);
    }

    /** @param partly with gaps or in doubt */
    public record Delivered(long whole, long partly) {

        public static final Delivered NONE = new Delivered(0, 0);
    }

    /** @param theirs of the matches that are theirs; the others are somebody else's */
    public record Confirmed(long theirs, String who, Instant at) {}

    public static WantedTally of(
            WantedLine line, Found found, long chosen, Delivered delivered, @Nullable Confirmed confirmed) {
        return new WantedTally(line.id(), line.hopedFor(), found, chosen, delivered, confirmed);
    }

    /** Hoped for and not among what fits; 0 when nobody said how many. */
    public long missing() {
        return Math.max(0, hopedFor - found.whole() - found.partly());
    }

    /**
     * Said only of what was delivered whole, and confirmed by a person; without a number hoped for, of all that they
     * confirmed.
     */
    public boolean isComplete() {
        return confirmed != null
                && confirmed.theirs() > 0
                && delivered.whole() >= Math.max(hopedFor, confirmed.theirs());
    }
}
