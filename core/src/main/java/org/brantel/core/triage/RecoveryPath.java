package org.brantel.core.triage;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What is done with a case. A protocol weighs them; what they mean for the work is said here. */
public enum RecoveryPath {
    EXISTING_COPY(Start.AWAY, false, false),
    STRAIGHT_COPY(Start.BENCH, true, false),
    IMAGE_THEN_SCAN(Start.BENCH, true, true),
    CAREFUL_IMAGING(Start.BENCH, true, true),
    HARDWARE_WORK(Start.AWAY, true, true),
    UNLOCK_FIRST(Start.AWAY, true, true),
    ASSEMBLE_FIRST(Start.BENCH, true, true),
    DECLINE(Start.AWAY, false, false);

    private enum Start {
        /** With the device at the lab's own bench. */
        BENCH,
        /** With somebody else: a partner, the customer, or nobody at all. */
        AWAY
    }

    private final String word = name().toLowerCase(Locale.ROOT).replace('_', '-');
    private final Start start;
    private final boolean reads;
    private final boolean scans;

    RecoveryPath(Start start, boolean reads, boolean scans) {
        this.start = start;
        this.reads = reads;
        this.scans = scans;
    }

    /** Whether it begins with attaching the device; others wait for somebody outside the lab first. */
    public boolean startsAtTheBench() {
        return start == Start.BENCH;
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
