package org.brantel.server.media;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import org.brantel.core.source.Identity;
import org.brantel.server.platform.Refusal;

/** The media of one kind. A new kind is one more of these and one more {@link MediumKind}. */
interface MediaOfKind {

    MediumKind kind();

    /** All that stand there now. Nothing is read of them. */
    List<Medium> now() throws IOException;

    /**
     * How the engine opens one. Only what is offered can be named.
     *
     * @param name the key without its prefix
     * @throws Refusal when there is no such medium
     */
    String specification(String name) throws IOException;

    /** Refuses what must not be attached. */
    default void checkOffered(String name) throws IOException {}

    /**
     * Whether one that vanished can be seen to be back, so that nobody has to say so.
     *
     * @param is what it said of itself
     */
    default boolean returnsByItself(String name, Identity is) throws IOException {
        return false;
    }

    /** @param was its identity when it was attached */
    default boolean isBack(String name, Identity was, Instant vanished, Instant now) throws IOException {
        return false;
    }

    default Refusal gone(String name) {
        return Refusal.missing(
                "The medium '" + kind().prefix() + name + "' is no longer there; put it back, or choose another.");
    }
}
