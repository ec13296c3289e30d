package org.brantel.core.imaging;

import java.io.IOException;

/**
 * A medium that was read file by file is not as sound as that takes. What was read is kept; an image can go on from
 * there. The message is one sentence for a person.
 */
public final class Unsound extends IOException {

    private static final long serialVersionUID = 1L;

    /** By what it shows. */
    public enum Sign {
        /** Something did not read. */
        UNREAD,
        /** There is no file system that could be listed. */
        NO_FILES,
        /** A record or a table does not hold. */
        RECORDS,
        /** A file is not what its record and its kind say. */
        CONTENT
    }

    private final Sign sign;

    public Unsound(Sign sign, String message) {
        super(message);
        this.sign = sign;
    }

    public Sign sign() {
        return sign;
    }
}
