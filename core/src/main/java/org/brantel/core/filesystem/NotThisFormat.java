package org.brantel.core.filesystem;

/** What stands at a place is not a structure of the format that was tried: its signature is another's. */
public final class NotThisFormat extends ParseFailure {

    private static final long serialVersionUID = 1L;

    public NotThisFormat(String structure, String field, long offset, Object found, String expected) {
        super(structure, field, offset, found, expected);
    }

    /** @throws NotThisFormat unless {@code holds} */
    public static void unless(boolean holds, String structure, String field, long offset, Object found, String expected)
            throws NotThisFormat {
        if (!holds) {
            throw new NotThisFormat(structure, field, offset, found, expected);
        }
    }
}
