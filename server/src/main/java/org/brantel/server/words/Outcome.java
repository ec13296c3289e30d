package org.brantel.server.words;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What came of reading the words of a file. */
public enum Outcome {
    READ("All of its words can be searched."),
    CUT("It has more words than are kept; the first 200,000 letters can be searched."),
    PARTLY("Its content is damaged or was not all read; the words that could be read can be searched."),
    NOTHING("There are no words in it."),
    LOCKED("It is locked with a password, so its words cannot be read."),
    DAMAGED("Its words cannot be read: its content is damaged."),
    LATE("Reading its words took longer than 20 seconds, so it was given up."),
    GREEDY("Reading its words takes more memory than is given to that, so it was given up."),
    LARGE("It is larger than 64 MiB, so its words are not read.");

    private final String sentence;

    Outcome(String sentence) {
        this.sentence = sentence;
    }

    /** What it means, for a person. */
    public String sentence() {
        return sentence;
    }

    boolean isRead() {
        return this == READ || this == CUT || this == PARTLY;
    }

    /** Whether another try may end otherwise. */
    boolean isGivenUp() {
        return this == LATE || this == GREEDY;
    }

    /** As the API writes it. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
