package org.brantel.core.filesystem;

import org.brantel.core.bytes.Range;

/** Tells a sink what was malformed, up to a number of lines: a damaged medium has no end of them. */
public final class Problems {

    private static final int MOST = 200;

    private final FindingSink sink;
    private final String where;
    private int told;

    /** @param where the volume, for the line that ends the list */
    public Problems(FindingSink sink, String where) {
        this.sink = sink;
        this.where = where;
    }

    /** Tells of a volume that reaches beyond the medium. */
    public void cutOff(Range claimed, long mediumBytes) {
        if (claimed.end() > mediumBytes) {
            add("The volume at byte " + claimed.offset() + " claims " + claimed.length() + " bytes; the medium has "
                    + (mediumBytes - claimed.offset()) + " from there.");
        }
    }

    public void add(String what) {
        told++;
        if (told < MOST) {
            sink.problem(what);
        } else if (told == MOST) {
            sink.problem("More problems than " + MOST + " on " + where + "; the rest is not listed.");
        }
    }
}
