package org.brantel.server.intake;

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

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    static Optional<Stage> ofWord(String word) {
        return Arrays.stream(values()).filter(s -> s.word().equals(word)).findFirst();
    }

    boolean isOpen() {
        return this != CLOSED && this != DECLINED;
    }
}
