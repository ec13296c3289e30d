package org.brantel.server.recovery;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;
import org.brantel.core.recovery.RecoveryResult;

/** What stands of a file after a recovery. */
public enum Written {
    /** Written and read back equal. */
    WHOLE,
    /** Written and read back equal, with listed gaps. */
    GAPPED,
    /** Nothing stands; the reason says why. */
    NOT_WRITTEN;

    static Written of(RecoveryResult.Outcome outcome) {
        return switch (outcome) {
            case WHOLE -> WHOLE;
            case GAPPED -> GAPPED;
            case NOT_WRITTEN -> NOT_WRITTEN;
        };
    }

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
