package org.brantel.core.wanted;

import org.brantel.core.finding.Prognosis;

/**
 * How much of a wanted line is there.
 *
 * @param found   findings that fit and are whole
 * @param gapped  findings that fit with gaps or in doubt
 * @param missing hoped for but not there; 0 when nobody said how many
 */
public record WantedTally(long lineId, long found, long gapped, long missing) {

    /** Counts for one line; every distinct finding once. */
    public static final class Counter {
        private final WantedLine line;
        private long whole;
        private long partly;

        public Counter(WantedLine line) {
            this.line = line;
        }

        public boolean take(String kind, String path, String name, long size, Prognosis prognosis) {
            if (!line.fits(kind, path, name, size)) {
                return false;
            }
            if (prognosis == Prognosis.WHOLE) {
                whole++;
            } else if (prognosis != Prognosis.OVERWRITTEN) {
                partly++;
            }
            return true;
        }

        public WantedTally tally() {
            return new WantedTally(line.id(), whole, partly, Math.max(0, line.hopedFor() - whole - partly));
        }
    }
}
