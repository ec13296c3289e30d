package org.brantel.core.layout;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What of a file's name or folders did not stay. */
public enum Change {
    /** The lab gave it another name. */
    RENAMED,
    /** A sign that the system cannot hold, or that is not seen, is an underscore now. */
    FORBIDDEN,
    /** It is a name that the system keeps for itself, or none at all. */
    RESERVED,
    /** It was longer than the system can hold. */
    SHORTENED,
    /** Another file has this name in this folder already; the day on which this one was made tells them apart. */
    DATED,
    /** Not even that does; a number tells them apart. */
    NUMBERED;

    /** As the API writes it. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
