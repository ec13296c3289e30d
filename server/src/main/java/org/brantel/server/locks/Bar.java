package org.brantel.server.locks;

import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** A feature that may know why a device must not be touched now. A new one is a bean; nothing else changes. */
public interface Bar {

    /**
     * Why, each in a sentence that says what would open it.
     *
     * @param device one of the case's; null asks what bars all of them
     */
    Stream<String> why(String caseNumber, @Nullable Long device);
}
