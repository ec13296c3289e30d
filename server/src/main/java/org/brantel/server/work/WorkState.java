package org.brantel.server.work;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;

/** How far a piece of long work is. */
public enum WorkState {
    /** A job is handed over and will take it up. */
    WAITING,
    RUNNING,
    /** It can be taken up where it was. */
    PAUSED,
    /** A person ended it before its end; what it has stands. */
    STOPPED,
    DONE,
    FAILED;

    /** A job has it in hand, or will. */
    public static final Set<WorkState> AT_WORK = Collections.unmodifiableSet(EnumSet.of(WAITING, RUNNING));

    public boolean isAtWork() {
        return AT_WORK.contains(this);
    }

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
