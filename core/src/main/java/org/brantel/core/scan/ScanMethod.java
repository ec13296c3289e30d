package org.brantel.core.scan;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** How a scan looks for files. */
public enum ScanMethod {
    /** By file-system records. */
    STRUCTURE,
    /** By content. */
    CARVE,
    BOTH;

    /** As command line, reports and the API write it. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public boolean readsRecords() {
        return this != CARVE;
    }

    public boolean carves() {
        return this != STRUCTURE;
    }

    public static ScanMethod ofWord(String word) {
        for (ScanMethod method : values()) {
            if (method.word().equals(word)) {
                return method;
            }
        }
        throw new IllegalArgumentException("There is no scan method '" + word + "'; take structure, carve or both.");
    }
}
