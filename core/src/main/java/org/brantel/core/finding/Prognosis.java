package org.brantel.core.finding;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** How intact a finding's bytes are judged to be. */
public enum Prognosis {
    /**
     * Every byte was read from space nothing else claims, and the content passes its kind's check where there is one.
     */
    WHOLE,
    /** Some byte ranges were never read; they are listed. */
    GAPPED,
    /** Bytes may belong to another file, or the content fails its kind's check. */
    DOUBTFUL,
    /** Live data or zeros stand where the content was. */
    OVERWRITTEN;

    /** As files and the API write it. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
