package org.brantel.core.triage;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What is done with a case. A protocol weighs them; what they mean for the work is said here. */
public enum RecoveryPath {
    EXISTING_COPY(false, false),
    STRAIGHT_COPY(true, false),
    IMAGE_THEN_SCAN(true, true),
    CAREFUL_IMAGING(true, true),
    HARDWARE_WORK(true, true),
    UNLOCK_FIRST(true, true),
    ASSEMBLE_FIRST(true, true),
    DECLINE(false, false);

    private final String word = name().toLowerCase(Locale.ROOT).replace('_', '-');
    private final boolean reads;
    private final boolean scans;

    RecoveryPath(boolean reads, boolean scans) {
        this.reads = reads;
        this.scans = scans;
    }

    /** Whether the device itself is read. */
    public boolean reads() {
        return reads;
    }

    /** Whether what was read is searched. */
    public boolean scans() {
        return scans;
    }

    /** Whether the lab works on the device at all; an existing copy does not need it. */
    boolean worksOnTheDevice() {
        return this != EXISTING_COPY;
    }

    /** As protocols, records and the API write it. */
    @JsonValue
    public String word() {
        return word;
    }

    /** In running text. */
    public String words() {
        return word.replace('-', ' ');
    }

    public static Optional<RecoveryPath> ofWord(String word) {
        return Arrays.stream(values()).filter(p -> p.word.equals(word)).findFirst();
    }
}
