package org.brantel.core.finding;

import com.fasterxml.jackson.annotation.JsonValue;
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

    /** As files and the API write it. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
