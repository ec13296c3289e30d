package org.brantel.core.carve;

import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.ContentKind;

/**
 * Content that was found.
 *
 * @param pieces where it is, in its own order
 * @param walk   what its kind says of it
 * @param doubts why it may not be what it seems; empty when nothing speaks against it
 */
public record Hit(ContentKind kind, List<Range> pieces, ContentKind.Walk walk, List<String> doubts) {

    public Hit {
        pieces = List.copyOf(pieces);
        doubts = List.copyOf(doubts);
    }

    public String code() {
        return walk.code() == null ? kind.code() : walk.code();
    }

    public long start() {
        return pieces.get(0).offset();
    }

    /** Where the first piece ends. */
    long firstEnd() {
        return pieces.get(0).end();
    }
}
