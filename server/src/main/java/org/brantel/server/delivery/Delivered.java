package org.brantel.server.delivery;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;
import org.brantel.core.finding.Prognosis;
import org.brantel.server.recovery.RecoveryViews;

/** What a customer gets of a file that was selected. */
public enum Delivered {
    WHOLE,
    /** With listed gaps. */
    GAPPED,
    /** All its bytes were read, but may not all be its own. */
    DOUBTFUL,
    NOT_DELIVERED;

    static Delivered of(RecoveryViews.File file) {
        return switch (file.outcome()) {
            case NOT_WRITTEN -> NOT_DELIVERED;
            case GAPPED -> GAPPED;
            case WHOLE -> file.prognosis() == Prognosis.DOUBTFUL ? DOUBTFUL : WHOLE;
        };
    }

    /** As the account and the API write it. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
