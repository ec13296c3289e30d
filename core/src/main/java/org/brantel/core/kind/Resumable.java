package org.brantel.core.kind;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.ByteView;

/** A walk that broke off, and can be taken up again before that with other bytes behind a place. */
public interface Resumable {

    /** Where it broke off, in words. */
    ContentKind.Walk broken();

    /** The first byte from which on other bytes may stand: before it everything was checked. */
    long earliest();

    /** The last byte from which on other bytes must stand. */
    long latest();

    /**
     * Goes on over content that is the same up to {@code same}, and other behind it.
     *
     * @throws ByteView.End when that ends first
     */
    ContentKind.Walk resume(ByteView other, long same) throws IOException;

    /**
     * How much must be left out between the pieces, where the content itself says so: any of these; empty when it does
     * not.
     */
    default Set<Long> gaps() {
        return Set.of();
    }

    /** Why what was joined may not be right though every check passed; empty when nothing speaks against it. */
    default List<String> doubts() {
        return List.of();
    }

    /** Whether bytes could be the continuation, at a quick look. */
    boolean couldContinue(byte[] block, int at, int length);
}
