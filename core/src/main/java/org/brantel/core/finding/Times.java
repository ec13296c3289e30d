package org.brantel.core.finding;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** When a record says that its file was made, changed and read, UTC; null where none is kept. */
public record Times(
        @Nullable Instant created,
        @Nullable Instant modified,
        @Nullable Instant accessed) {

    public static final Times NONE = new Times(null, null, null);
}
