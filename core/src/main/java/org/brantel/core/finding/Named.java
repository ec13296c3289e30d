package org.brantel.core.finding;

import org.jspecify.annotations.Nullable;

/**
 * What a finding is called.
 *
 * @param path      absolute within the volume, parts joined by '/'; null when no record names it
 * @param name      as found on the medium; made safe only when written out
 * @param suggested from what the content says, for nameless findings; never posing as the original; may be null
 */
public record Named(
        @Nullable String path, String name, @Nullable String suggested) {

    /** A name that a record keeps. */
    public static Named of(String path, String name) {
        return new Named(path, name, null);
    }
}
