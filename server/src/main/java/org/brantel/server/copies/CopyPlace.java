package org.brantel.server.copies;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** Where a copy may lie. */
public enum CopyPlace {
    TRASH("the trash"),
    BACKUP("a backup"),
    /** Earlier versions that a system or a service keeps. */
    VERSION_HISTORY("a version history"),
    SECOND_MACHINE("a second machine"),
    /** A card, stick or disk that it was copied from or to. */
    SECOND_CARD("a second card or disk"),
    CLOUD("a cloud service"),
    /** What the maker of the device offers with it. */
    RESCUE_SERVICE("the maker's rescue service");

    private final String words;

    CopyPlace(String words) {
        this.words = words;
    }

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    String words() {
        return words;
    }
}
