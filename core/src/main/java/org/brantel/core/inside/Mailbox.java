package org.brantel.core.inside;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.text.Envelope;

/** The messages of a mailbox (RFC 4155, appendix A), one behind the other, as far as a person looks. */
public final class Mailbox {

    /**
     * @param heads the header fields of the first messages, as they stand (RFC 5322, 2.2)
     * @param count how many messages there are; {@link Inside.Table#NOT_KNOWN} where they are not all counted
     */
    public record Messages(List<byte[]> heads, long count) {}

    /** Beyond so many bytes nobody counts on. */
    private static final long MOST_BYTES = 256L << 20;

    private static final int LONGEST_HEAD = 16 << 10;
    private static final int LONGEST_ENVELOPE = 400;
    private static final byte[] NEXT = ("\n" + Envelope.FROM).getBytes(StandardCharsets.US_ASCII);

    private Mailbox() {}

    /** @throws IOException where it cannot be read, or does not begin with a message */
    public static Messages of(ByteView content) throws IOException {
        if (!Envelope.begins(latin(content, 0, LONGEST_ENVELOPE))) {
            throw new IOException("the mailbox does not begin with a message");
        }
        List<byte[]> heads = new ArrayList<>();
        long end = Math.min(content.length(), MOST_BYTES);
        long count = 0;
        for (long at = 0; at >= 0; at = next(content, at + 1, end)) {
            count++;
            if (heads.size() < Inside.SHOWN) {
                heads.add(head(content, at));
            }
        }
        return new Messages(heads, end < content.length() ? Inside.Table.NOT_KNOWN : count);
    }

    /** Where the next envelope stands; -1 where there is none. A sentence may begin with the same word. */
    private static long next(ByteView content, long from, long end) throws IOException {
        for (long at = content.find(NEXT, from, end); at >= 0; at = content.find(NEXT, at + 1, end)) {
            if (Envelope.begins(latin(content, at + 1, LONGEST_ENVELOPE))) {
                return at + 1;
            }
        }
        return -1;
    }

    /** From behind the envelope to the empty line. */
    private static byte[] head(ByteView content, long envelope) throws IOException {
        String text = latin(content, envelope, LONGEST_HEAD);
        int from = text.indexOf('\n') + 1;
        int empty = text.indexOf("\n\n", from - 1);
        int other = text.indexOf("\n\r\n", from - 1);
        int to = empty < 0 ? other : other < 0 ? empty : Math.min(empty, other);
        return text.substring(from, to < from ? text.length() : to + 1).getBytes(StandardCharsets.ISO_8859_1);
    }

    private static String latin(ByteView content, long at, int most) throws IOException {
        return new String(content.bytes(at, (int) Math.min(most, content.length() - at)), StandardCharsets.ISO_8859_1);
    }
}
