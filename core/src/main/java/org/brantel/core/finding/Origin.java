package org.brantel.core.finding;

import java.util.Locale;

/** Where a finding's record comes from. */
public enum Origin {
    /** A file that the file system lists. */
    LIVE,
    /** A file whose record says it was deleted. */
    DELETED,
    /** From before a format. */
    EARLIER,
    /** Recognised by its content alone. */
    CARVED;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
