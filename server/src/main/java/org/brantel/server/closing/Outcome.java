package org.brantel.server.closing;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** With what a case ended. */
public enum Outcome {
    /** The customer has a delivery of the lab. */
    DELIVERED,
    /** A copy was there already, so that nothing had to be recovered. */
    COPY_FOUND,
    /** The work was done, and nothing that was wanted can be had. */
    NOTHING_RECOVERABLE,
    /** The lab said no. */
    DECLINED,
    /** The customer took the devices back before the work was done, and signed for it. */
    COLLECTED_UNRECOVERED;

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    String words() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
