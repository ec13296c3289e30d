package org.brantel.core.source;

/**
 * How far the retries of failed sectors are, so that a session that was interrupted does not try them over again.
 *
 * @param round    1 for the first retry of each sector; 0 before there was any
 * @param position bytes; sectors before it had their turn in this round
 */
public record Rounds(int round, long position) {

    public static final Rounds NONE = new Rounds(0, 0);

    public Rounds {
        if (round < 0 || position < 0) {
            throw new IllegalArgumentException("a round " + round + " at " + position + " is none");
        }
    }
}
