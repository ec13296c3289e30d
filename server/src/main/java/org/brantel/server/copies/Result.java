package org.brantel.server.copies;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What came of looking at a place. */
public enum Result {
    /** Nobody looked yet. */
    TO_LOOK,
    FOUND,
    NOTHING;

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
