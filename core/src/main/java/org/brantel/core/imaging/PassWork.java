package org.brantel.core.imaging;

import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;

/** The order of work within one pass. */
interface PassWork {

    /** The next request, or empty when the pass has ended. */
    Optional<Range> next();

    /**
     * What came of it. The map holds it already.
     *
     * @param trouble a fault, or much slower than is usual
     */
    default void done(Range range, ReadOutcome outcome, boolean trouble) {}
}
