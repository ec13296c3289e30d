package org.brantel.core.kind;

/**
 * How much of content its checks would notice, were a cluster of it overwritten: places where a check stands, and
 * stretches that one covers from end to end. Told in ascending order; what lies before something that was told already
 * adds nothing.
 */
public final class Coverage {

    /** What file systems give out at once, mostly: whoever overwrites content overwrites that much. */
    private static final long CLUSTER = 4096;

    private long covered;
    private long last;

    /** A check at one place: it also notices what overwrites the cluster that leads up to it. */
    public void place(long at) {
        if (at > last) {
            covered += Math.min(at - last, CLUSTER);
            last = at;
        }
    }

    /** Bytes that are all checked. */
    public void stretch(long from, long to) {
        place(from);
        if (to > last) {
            covered += to - Math.max(last, from);
            last = to;
        }
    }

    /** Bytes that are covered. */
    public long bytes() {
        return covered;
    }
}
