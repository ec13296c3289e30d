package org.brantel.core.filesystem;

import java.io.IOException;

/** What stands at a place is not a volume of the family that was tried: which field at which byte says so. */
public final class NotThisFormat extends IOException {

    private static final long serialVersionUID = 1L;

    public NotThisFormat(String family, String field, long absolute, Object found, String expected) {
        super("not " + family + ": " + field + " at byte " + absolute + " is " + found + ", expected " + expected);
    }

    /** @throws NotThisFormat unless {@code holds} */
    public static void require(boolean holds, String family, String field, long absolute, Object found, String expected)
            throws NotThisFormat {
        if (!holds) {
            throw new NotThisFormat(family, field, absolute, found, expected);
        }
    }
}
