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
        /**
         * At the end that its structure states, or its last complete part does; something before or behind is wrong.
         */
        DAMAGED,
        /** At something that does not belong there. */
        BROKEN
    }

    /** Where content of its own may begin inside other, as a member of an archive or a picture of a film does. */
    interface Parts {
        Parts NONE = at -> false;

        /** @param at from the content's first byte */
        boolean beginAt(long at);
    }

    /**
     * What a walk came to.
     *
     * @param length bytes up to the end, or to where it broke
     * @param words  what was checked, or what broke and where
     * @param code   what it is told to be; null for the kind's own code
     * @param parts  where content of its own may begin in it
     * @param closed whether a check covers its last bytes, so that its end is beyond doubt
     * @param proven the share of its bytes, 0 to 1, of which a check would have noticed that a cluster was overwritten
     */
    record Walk(
            Outcome outcome,
            long length,
            String words,
            @Nullable String code,
            About about,
            Parts parts,
            boolean closed,
            double proven) {

        /** A smaller proven share than this supports nothing by itself. */
        private static final double LITTLE = 0.25;

        private Walk(Outcome outcome, long length, String words) {
            this(
                    outcome,
                    length,
                    words,
                    null,
                    About.NONE,
                    Parts.NONE,
                    outcome == Outcome.WHOLE,
                    outcome == Outcome.WHOLE ? 1 : 0);
        }

        public static Walk whole(long length, String words) {
            return new Walk(Outcome.WHOLE, length, words);
        }

        public static Walk fitting(long length, String words) {
            return new Walk(Outcome.FITTING, length, words);
        }

        public static Walk likely(long length, String words) {
            return new Walk(Outcome.LIKELY, length, words);
        }

        public static Walk damaged(long length, String words) {
            return new Walk(Outcome.DAMAGED, length, words);
        }

        public static Walk broken(long at, @Nullable String words) {
            return new Walk(Outcome.BROKEN, at, words + " at byte " + at);
        }

        /** Told to be this. */
        public Walk as(String newCode) {
            return new Walk(outcome, length, words, newCode, about, parts, closed, proven);
        }

        /** The same in other words. */
        public Walk saying(String other) {
            return new Walk(outcome, length, other, code, about, parts, closed, proven);
        }

        /** The same, ending earlier. */
        public Walk upTo(long end) {
            return new Walk(outcome, end, words, code, about, parts, closed && end == length, proven);
        }

        public Walk about(About facts) {
            return new Walk(outcome, length, words, code, facts, parts, closed, proven);
        }

        /** With so many bytes covered by a check. */
        public Walk proving(long bytes) {
            double share = length <= 0 ? 0 : Math.min(1, bytes / (double) length);
            return new Walk(outcome, length, words, code, about, parts, closed, share);
        }

        /** With a check at its very end. */
        public Walk closing() {
            return new Walk(outcome, length, words, code, about, parts, true, proven);
        }

        /** Without anything that shows that it ends there. */
        public Walk endingSomewhere() {
            return new Walk(outcome, length, words, code, about, parts, false, proven);
        }

        /** What begins at these places is a part of it. */
        public Walk holding(Parts places) {
            return new Walk(outcome, length, words, code, about, places, closed, proven);
        }

        /** Whether it is whole, and checks cover enough of it to say so against what else is known. */
        public boolean isProof() {
            return whole() && proven >= LITTLE;
        }

        /** How much of it a check covers, as the beginning of a sentence. */
        public String coveredWords() {
            long share = (long) (proven * 100);
            return share == 0 ? "Nothing in it checks its bytes" : "A check covers " + share + " % of its bytes";
        }

        /** Whether other bytes than those that follow could mend it. */
        public boolean isMendable() {
            return outcome == Outcome.BROKEN || outcome == Outcome.DAMAGED;
        }

        /** Nothing speaks against it, and its end is its own. */
        public boolean whole() {
            return outcome == Outcome.WHOLE || outcome == Outcome.FITTING;
        }
    }
}
