package org.brantel.core.wanted;

/**
 * How much of a wanted line is there. Overwritten findings count as missing.
 *
 * @param whole   findings that fit and are whole
 * @param gapped  findings that fit, with gaps or in doubt
 * @param missing hoped for but not there; 0 when nobody said how many
 */
public record WantedTally(long lineId, long whole, long gapped, long missing) {

    public static WantedTally of(WantedLine line, long whole, long gapped) {
        return new WantedTally(line.id(), whole, gapped, Math.max(0, line.hopedFor() - whole - gapped));
    }
}
