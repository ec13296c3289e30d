package org.brantel.core.triage;

import com.fasterxml.jackson.annotation.JsonProperty;

/** How likely it is that the wanted files come back, in words; worst first. */
public enum Chance {
    @JsonProperty("none")
    NONE("none"),
    @JsonProperty("poor")
    POOR("poor"),
    @JsonProperty("fair")
    FAIR("fair"),
    @JsonProperty("good")
    GOOD("good"),
    @JsonProperty("very-good")
    VERY_GOOD("very good");

    private final String words;

    Chance(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
