package org.brantel.core.source;

import java.io.IOException;
import org.jspecify.annotations.Nullable;

/** A source that cannot be opened or went away; the message is one sentence for a person. */
public class SourceException extends IOException {

    private static final long serialVersionUID = 1L;

    public SourceException(String message) {
        super(message);
    }

    public SourceException(String message, Throwable cause) {
        super(message, cause);
    }

    /** The medium stopped answering altogether; a session pauses and nothing that was read is lost. */
    public static final class Gone extends SourceException {
        private static final long serialVersionUID = 1L;

        public Gone(String description, @Nullable String why) {
            super(description + " went away: " + why + ". Nothing that was read is lost; attach it again and resume.");
        }
    }

    /** Another medium than the one that is meant; nothing was read of it. */
    public static final class Another extends SourceException {
        private static final long serialVersionUID = 1L;

        /** @param differs what tells them apart, like "size 5 bytes instead of 6" */
        public Another(String description, String differs) {
            super(description + " is another device than the one that is meant: " + differs
                    + ". Nothing was read of it; put the right one back, or attach this one.");
        }
    }

    /** A block device that the kernel would let us write to, without a recorded write-block decision. */
    public static final class WriteBlockNeeded extends SourceException {
        private static final long serialVersionUID = 1L;

        public WriteBlockNeeded(String path) {
            this(path, "the kernel");
        }

        /** @param to who would let us write to it */
        public WriteBlockNeeded(String path, String to) {
            super(path + " is writable to " + to + "; put it behind a write blocker, "
                    + "or record a write-block decision first.");
        }
    }
}
