package org.brantel.server.protocol;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** How a fact came to be known; what was observed weighs more. */
public enum Said {
    /** By the customer. */
    TOLD,
    /** On the bench. */
    OBSERVED;

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
