package org.brantel.core.question;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What a part of a question is about. */
public enum Facet {
    KIND(true),
    MADE(false),
    DELETED(false),
    SIZE(false),
    FOLDER(false),
    NAME(true),
    DEVICE(true),
    MEDIUM(true),
    ORIGIN(true),
    PROGNOSIS(true),
    SESSION(false),
    VOLUME(false),
    WANTED(false),
    CHOSEN(false),
    WHOSE(false),
    REMARK(false),
    TRASHED(false),
    NAMELESS(false),
    LIKE(false),
    INSIDE(false),
    TEXT(false);

    private final boolean oneOfSeveral;

    Facet(boolean oneOfSeveral) {
        this.oneOfSeveral = oneOfSeveral;
    }

    /** Whether people who name several mean any of them: {@code pictures and films} is either, for no file is both. */
    boolean isOneOfSeveral() {
        return oneOfSeveral;
    }

    /** As the API writes it. */
    @JsonValue
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
