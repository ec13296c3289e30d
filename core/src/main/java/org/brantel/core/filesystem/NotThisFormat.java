package org.brantel.core.filesystem;

import java.io.IOException;
import java.util.Set;

/** What stands at a place is not a volume of the family that was tried: which field at which byte says so. */
public final class NotThisFormat extends IOException {

    private static final long serialVersionUID = 1L;
    private static final Set<String> SIGNATURES = Set.of("name", "signature", "anchor", "head", "volume length");

    private final boolean telling;

    public NotThisFormat(String family, String field, long absolute, Object found, String expected) {
        super("not " + family + ": " + field + " at byte " + absolute + " is " + found + ", expected " + expected);
        telling = !SIGNATURES.contains(field);
    }

    /** Whether it began like the family and then was not: then its reason is worth telling. */
    public boolean isTelling() {
        return telling;
    }

    /** @throws NotThisFormat unless {@code holds} */
    public static void require(boolean holds, String family, String field, long absolute, Object found, String expected)
            throws NotThisFormat {
        if (!holds) {
            throw new NotThisFormat(family, field, absolute, found, expected);
        }
    }
}
