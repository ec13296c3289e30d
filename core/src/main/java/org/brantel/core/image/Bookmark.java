package org.brantel.core.image;

/**
 * How far the passes are, where the map itself does not say: what an interrupted session goes on from.
 *
 * @param round    1 for the first retry of each failed sector; 0 before there was any
 * @param position bytes; sectors before it had their turn in this round
 * @param swept    bytes; how far the first pass came, whatever was read ahead of it. 0 when that is not on record
 */
public record Bookmark(int round, long position, long swept) {

    public static final Bookmark NONE = new Bookmark(0, 0, 0);

    public Bookmark {
        if (round < 0 || position < 0 || swept < 0) {
            throw new IllegalArgumentException(
                    "round " + round + " at " + position + ", swept to " + swept + ", is none");
        }
    }

    public Bookmark retry(int newRound, long newPosition) {
        return new Bookmark(newRound, newPosition, swept);
    }

    public Bookmark sweptTo(long end) {
        return new Bookmark(round, position, end);
    }
}
