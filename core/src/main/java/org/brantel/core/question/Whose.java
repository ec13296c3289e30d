package org.brantel.core.question;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** Whose a finding is, as somebody of the lab says. */
public enum Whose {
    /** The customer's. */
    THEIRS,
    /** Not the customer's: it came with the system, with a program, or from somebody else. */
    NOT_THEIRS;

    /** As the API writes it. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** As a person says it. */
    public String words() {
        return word().replace('-', ' ');
    }
}
