package org.brantel.core.filesystem;

import java.io.IOException;

/**
 * Why a structure could not be read: which field at which byte says so. What was not read at all is
 * {@link org.brantel.core.bytes.ByteView.Unread}.
 */
public abstract sealed class ParseFailure extends IOException permits NotThisFormat, Damaged {

    private static final long serialVersionUID = 1L;

    private final String structure;
    private final String field;
    private final long offset;
    private final String found;
    private final String expected;

    ParseFailure(String structure, String field, long offset, Object found, String expected) {
        super("not " + structure + ": " + field + " at byte " + offset + " is " + found + ", expected " + expected);
        this.structure = structure;
        this.field = field;
        this.offset = offset;
        this.found = String.valueOf(found);
        this.expected = expected;
    }

    /** What was tried, with its article. */
    public final String structure() {
        return structure;
    }

    public final String field() {
        return field;
    }

    /** The field's first byte in the source. */
    public final long offset() {
        return offset;
    }

    public final String found() {
        return found;
    }

    public final String expected() {
        return expected;
    }
}
