package org.brantel.server.intake;

import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.platform.Refusal;
import org.jspecify.annotations.Nullable;

/**
 * Which recovery path is asked for.
 *
 * @param is null for cases without one
 */
public record PathFilter(@Nullable RecoveryPath is) {

    private static final String NONE = "none";

    /** @param text a path, "none", or nothing for no filter at all */
    static @Nullable PathFilter of(String text) {
        return text.isEmpty()
                ? null
                : new PathFilter(
                        text.equals(NONE)
                                ? null
                                : RecoveryPath.ofWord(text)
                                        .orElseThrow(() ->
                                                Refusal.badInput("path", "There is no recovery path '" + text + "'.")));
    }
}
