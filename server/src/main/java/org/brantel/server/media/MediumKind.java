package org.brantel.server.media;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** Where a medium comes from. */
public enum MediumKind {
    /** A disk of this machine. */
    DISK("disk/"),
    /** A drive that a bench box exports. */
    BOX("box/"),
    /** A simulated device. */
    SIMULATED("sim/"),
    /** A raw image that the lab placed in its inbox. */
    INBOX("inbox/");

    private final String prefix;

    MediumKind(String prefix) {
        this.prefix = prefix;
    }

    /** What its keys begin with. */
    String prefix() {
        return prefix;
    }

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
