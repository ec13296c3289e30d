package org.brantel.server.work;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What a person wants of running work; it looks there between two steps. */
public enum Ask {
    /** Hold, to be taken up again. */
    PAUSE,
    /** End with what there is, before the end. */
    STOP,
    /** Conclude with what was read. */
    ENOUGH;

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
