package org.brantel.core.source;

import org.jspecify.annotations.Nullable;

/**
 * What stands between us and writing to a medium: a blocker that the kernel or the server can see, or a person's recorded
 * decision to read without one.
 *
 * @param decision why it may be read although it could be written to; empty for none
 */
public record WriteBlock(String decision) {

    /** Only what cannot be written to is opened. */
    public static final WriteBlock REQUIRED = new WriteBlock("");

    public WriteBlock {
        decision = decision.strip();
    }

    /** @param decision null for none */
    public static WriteBlock unless(@Nullable String decision) {
        return decision == null ? REQUIRED : new WriteBlock(decision);
    }

    public boolean isDecided() {
        return !decision.isEmpty();
    }

    /** @throws SourceException.WriteBlockNeeded when it could be written to and nobody decided that this is all right */
    public void check(boolean writable, String medium) throws SourceException.WriteBlockNeeded {
        if (writable && !isDecided()) {
            throw new SourceException.WriteBlockNeeded(medium);
        }
    }
}
