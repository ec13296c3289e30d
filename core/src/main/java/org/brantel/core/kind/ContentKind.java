package org.brantel.core.kind;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.jspecify.annotations.Nullable;

/** One kind of content, or a family that is told apart while walking. Implementations are stateless. */
public interface ContentKind {

    /** Bytes that {@link #couldStart} may look at behind a start. */
    int LOOK_AHEAD = 512;

    /** Its code in findings, like {@code jpg}. */
    String code();

    /** All codes that a walk may come to. */
    default Set<String> codes() {
        return Set.of(code());
    }

    /** How it can begin. */
    List<Start> starts();

    /**
     * A second look where one of its starts stands, before anything is walked. {@link #LOOK_AHEAD} bytes follow
     * {@code at}.
     */
    default boolean couldStart(byte[] block, int at) {
        return true;
    }

    /** Whether it can be looked for at every byte; some starts are too common for that. */
    default boolean isDistinct() {
        return true;
    }

    /** Bytes after which a walk gives up. */
    long longest();

    /**
     * Walks the content to its end and checks it on the way.
     *
     * @throws ByteView.Unread when it runs into bytes that were not read
     * @throws ByteView.End    when the bytes end first
     */
    Walk walk(ByteView content) throws IOException;

    /**
     * Walks as {@link #walk} does and, where the content breaks off, keeps what is needed to go on with other bytes.
     *
     * @return null when this kind cannot tell whether other bytes go on with it, or nothing broke off
     */
    default @Nullable Resumable resumable(ByteView content) throws IOException {
        return null;
    }

    /** How a walk ended. */
    enum Outcome {
        /** At the content's end, after every check. */
        WHOLE,
        /** At the end that its own structure states; what lies between carries no check. */
        FITTING,
        /** At what is likely its end; nothing in the content states one. */
        LIKELY,
        /** At something that does not belong there. */
        BROKEN
    }

    /**
     * What a walk came to.
     *
     * @param length bytes up to the end, or to where it broke
     * @param words  what was checked, or what broke and where
     * @param code   what it is told to be; null for the kind's own code
     */
    record Walk(
            Outcome outcome,
            long length,
            String words,
            @Nullable String code,
            About about) {

        public static Walk whole(long length, String words) {
            return new Walk(Outcome.WHOLE, length, words, null, About.NONE);
        }

        public static Walk fitting(long length, String words) {
            return new Walk(Outcome.FITTING, length, words, null, About.NONE);
        }

        public static Walk likely(long length, String words) {
            return new Walk(Outcome.LIKELY, length, words, null, About.NONE);
        }

        public static Walk broken(long at, @Nullable String words) {
            return new Walk(Outcome.BROKEN, at, words + " at byte " + at, null, About.NONE);
        }

        /** Told to be this. */
        public Walk as(String newCode) {
            return new Walk(outcome, length, words, newCode, about);
        }

        /** The same, ending earlier. */
        public Walk upTo(long end) {
            return new Walk(outcome, end, words, code, about);
        }

        public Walk about(About facts) {
            return new Walk(outcome, length, words, code, facts);
        }

        /** Nothing speaks against it, and its end is its own. */
        public boolean whole() {
            return outcome == Outcome.WHOLE || outcome == Outcome.FITTING;
        }
    }
}
