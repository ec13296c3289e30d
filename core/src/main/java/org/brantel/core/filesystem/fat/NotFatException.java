package org.brantel.core.filesystem.fat;

import java.io.IOException;

/** A sector that is not a FAT boot sector: which field at which byte says so. */
public final class NotFatException extends IOException {

    private static final long serialVersionUID = 1L;

    NotFatException(String field, long absolute, Object found, String expected) {
        super("not a FAT volume: " + field + " at byte " + absolute + " is " + found + ", expected " + expected);
    }
}
