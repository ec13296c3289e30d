package org.brantel.core.imaging;

import java.io.IOException;

/**
 * A medium that was read file by file is not as sound as that takes: something did not read, or what its records say
 * does not hold. What was read is kept; an image can go on from there. The message is one sentence for a person.
 */
public final class Unsound extends IOException {

    private static final long serialVersionUID = 1L;

    public Unsound(String message) {
        super(message);
    }
}
