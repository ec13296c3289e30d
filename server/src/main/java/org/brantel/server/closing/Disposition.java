package org.brantel.server.closing;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What became of a device in the end. */
public enum Disposition {
    RETURNED("given back"),
    DESTROYED("destroyed as the customer wished"),
    KEPT("kept by the lab"),
    /** It was logged, and never brought. */
    NEVER_CAME("never came");

    private final String words;

    Disposition(String words) {
        this.words = words;
    }

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    String words() {
        return words;
    }
}
