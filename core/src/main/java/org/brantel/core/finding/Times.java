package org.brantel.core.finding;

import java.time.Instant;

/** When a record says that its file was made, changed and read, UTC; null where none is kept. */
public record Times(Instant created, Instant modified, Instant accessed) {

    public static final Times NONE = new Times(null, null, null);
}
