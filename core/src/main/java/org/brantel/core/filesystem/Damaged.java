package org.brantel.core.filesystem;

/** What stands at a place begins like a structure of the format, but a field of it cannot be. */
public final class Damaged extends ParseFailure {

    private static final long serialVersionUID = 1L;

    public Damaged(String structure, String field, long offset, Object found, String expected) {
        super(structure, field, offset, found, expected);
    }

    /** @throws Damaged unless {@code holds} */
    public static void unless(boolean holds, String structure, String field, long offset, Object found, String expected)
            throws Damaged {
        if (!holds) {
            throw new Damaged(structure, field, offset, found, expected);
        }
    }
}
