package org.brantel.server.intake;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** Where a case stands. A case may go back a stage; nothing is lost when it does. */
public enum Stage {
    RECEIVED,
    TRIAGED,
    IMAGING,
    SCANNING,
    SELECTION,
    RECOVERY,
    HANDOVER,
    CLOSED,
    ON_HOLD,
    DECLINED;

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<Stage> ofWord(String word) {
        return Arrays.stream(values()).filter(s -> s.word().equals(word)).findFirst();
    }

    public boolean isOpen() {
        return this != CLOSED && this != DECLINED;
    }
}
