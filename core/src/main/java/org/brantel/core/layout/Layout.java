package org.brantel.core.layout;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.Locale;

/** In which folders the files of a delivery lie. */
public enum Layout {
    /** In the folders that they stood in. */
    AS_IT_STOOD,
    /** Pictures, films, sound and so on apart; in each as it stood. */
    BY_KIND,
    /** By the day on which each was made. */
    BY_DAY;

    /** As the API, records and commands write it. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Layout ofWord(String word) {
        return Arrays.stream(values())
                .filter(v -> v.word().equals(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(
                        "There is no layout '" + word + "'; take as-it-stood, by-kind or by-day."));
    }
}
