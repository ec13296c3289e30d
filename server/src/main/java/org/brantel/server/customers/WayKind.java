package org.brantel.server.customers;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** How a customer is reached. */
public enum WayKind {
    PHONE("phone number"),
    EMAIL("e-mail address"),
    POST("postal address");

    private final String words;

    WayKind(String words) {
        this.words = words;
    }

    /** In running text. */
    String words() {
        return words;
    }

    /** As it goes over the wire. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
