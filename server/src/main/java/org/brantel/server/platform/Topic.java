package org.brantel.server.platform;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What of a case changed, as browsers are told it; they fetch what they show of it. */
public enum Topic {
    BENCH,
    CASE,
    CATALOGUE,
    CUSTODY,
    DELIVERY,
    DRAFT,
    HEALTH,
    IMAGING,
    LABS,
    MAIL,
    NOTE,
    PHOTO,
    PRESENCE,
    QUESTION,
    RECOVERY,
    SCAN,
    SELECTION,
    SHEET,
    STAFF,
    WORDS;

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
