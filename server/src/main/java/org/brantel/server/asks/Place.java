package org.brantel.server.asks;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;
import org.brantel.server.intake.Stage;

/** A part of the docket where work is done or seen. */
public enum Place {
    RECEIVED,
    TRIAGED,
    IMAGING,
    SCANNING,
    SELECTION,
    RECOVERY,
    HANDOVER,
    CLOSED,
    COPIES,
    PARTNER,
    NOTES;

    /** Where the work of a stage is done. */
    public static Place of(Stage stage) {
        return switch (stage) {
            case ON_HOLD, RECEIVED -> RECEIVED;
            case DECLINED, TRIAGED -> TRIAGED;
            case IMAGING -> IMAGING;
            case SCANNING -> SCANNING;
            case SELECTION -> SELECTION;
            case RECOVERY -> RECOVERY;
            case HANDOVER -> HANDOVER;
            case CLOSED -> CLOSED;
        };
    }

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
