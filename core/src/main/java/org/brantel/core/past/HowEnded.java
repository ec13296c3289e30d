package org.brantel.core.past;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What a customer got at the end of a case. */
public enum HowEnded {
    /** Every chosen file, whole. */
    WHOLE,
    /** Some of them whole, or in parts, or in doubt. */
    PARTLY,
    /** None of them, or nothing that could have been chosen. */
    NOTHING,
    /** A copy was there already. */
    COPY,
    /** They took their devices back before the work was done. */
    COLLECTED,
    /** It was decided and closed, and nothing was sealed for it. */
    UNDELIVERED,
    DECLINED;

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
