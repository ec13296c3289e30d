package org.brantel.server.asks;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What suffers while a question waits, the worst first. */
public enum Harm {
    /** The device that stands attached: it is failing, or has reached what it was not to go past. */
    DEVICE,
    /** Long work stands still until somebody answers. */
    WORK,
    /** Only time passes. */
    CLOCK;

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
