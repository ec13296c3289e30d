package org.brantel.core.carve;

import java.io.IOException;
import org.brantel.core.source.ByteView;

/** One kind of content. Implementations are stateless. */
public interface ContentKind {

    /** Its code in findings, like {@code jpg}. */
    String code();

    /** Whether content of this kind can start here. At least 8 bytes follow {@code at}. */
    boolean startsAt(byte[] block, int at);

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
     * What a walk came to.
     *
     * @param whole  the content reached its end and passed every check on the way
     * @param length bytes up to the end, or to where it broke
     * @param words  what was checked, or what broke and where
     */
    record Walk(boolean whole, long length, String words) {

        static Walk whole(long length, String words) {
            return new Walk(true, length, words);
        }

        static Walk broken(long at, String words) {
            return new Walk(false, at, words + " at byte " + at);
        }
    }
}
