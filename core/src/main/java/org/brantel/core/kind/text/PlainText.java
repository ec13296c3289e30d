package org.brantel.core.kind.text;

import java.io.IOException;
import org.brantel.core.bytes.ByteSet;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.ContentKind;

/** Text has no control bytes but tabs and line ends. */
public final class PlainText {

    private static final long LOOK_AT = 4L << 20;
    private static final int MOST_BY_CHANCE = 6;
    private static final ByteSet EVEN = ByteSet.of(c -> !isOdd(c));
    private static final ByteSet ASCII = ByteSet.of(c -> c < 0x80 && !isOdd(c));

    private PlainText() {}

    /** Checks a file whose name says that it is text. */
    public static ContentKind.Walk check(ByteView content) throws IOException {
        long length = content.length();
        if (length >= 2 && (content.u16be(0) == 0xfeff || content.u16be(0) == 0xfffe)) {
            return ContentKind.Walk.whole(length, "It begins as UTF-16 text.").proving(0);
        }
        long looked = Math.min(length, LOOK_AT);
        long odd = content.past(EVEN, 0, looked);
        return odd < looked
                ? ContentKind.Walk.broken(odd, "a byte that text does not hold")
                : ContentKind.Walk.whole(length, "It reads as text throughout.").proving(0);
    }

    static boolean isOdd(int c) {
        return c < 0x20 && c != '\t' && c != '\n' && c != '\r' && c != '\f' && c != 0x1b;
    }

    /** Where some bytes are next in the text that goes on from a place; -1 when that ends before. */
    static long find(ByteView content, byte[] bytes, long from) throws IOException {
        ByteSet others = EVEN.without(bytes[0]);
        for (long at = content.past(others, from, content.length());
                at < content.length() && !isOdd(content.u8(at));
                at = content.past(others, at + 1, content.length())) {
            if (content.startsWith(at, bytes)) {
                return at;
            }
        }
        return -1;
    }

    /**
     * Where the text that begins here ends: before the first byte that it cannot hold, or that is neither a whole
     * character of UTF-8 nor, alone between plain letters, one of a set of 8 bits.
     */
    static long end(ByteView content) throws IOException {
        long end = afterText(content);
        if (end == content.length() || content.u8(end) == 0) {
            return end;
        }
        // Other bytes than the zeros of a last sector follow: the first of them may look like text.
        for (long at = end; at > 0 && end - at <= MOST_BY_CHANCE; at--) {
            if (content.u8(at - 1) == '\n') {
                return at;
            }
        }
        return end;
    }

    private static long afterText(ByteView content) throws IOException {
        long at = content.past(ASCII, 0, content.length());
        while (at < content.length()) {
            int more = following(content, at);
            if (more < 0 && !isAlone(content, at)) {
                return at;
            }
            at = content.past(ASCII, at + Math.max(0, more) + 1, content.length());
        }
        return at;
    }

    /** @return how many bytes of a character follow its first; -1 when it is none of UTF-8 */
    private static int following(ByteView content, long at) throws IOException {
        int c = content.u8(at);
        int more = c >= 0xf0 && c < 0xf5 ? 3 : c >= 0xe0 && c < 0xf0 ? 2 : c >= 0xc2 && c < 0xe0 ? 1 : -1;
        if (more < 0 || at + more >= content.length()) {
            return -1;
        }
        for (int i = 1; i <= more; i++) {
            if ((content.u8(at + i) & 0xc0) != 0x80) {
                return -1;
            }
        }
        return more;
    }

    private static boolean isAlone(ByteView content, long at) throws IOException {
        return content.u8(at) >= 0x80
                && at > 0
                && at + 2 < content.length()
                && isOfWords(content.u8(at - 1))
                && isOfWords(content.u8(at + 1))
                && ASCII.has(content.u8(at + 2));
    }

    private static boolean isOfWords(int c) {
        return c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c == ' ' || c == '\n' || c == ',' || c == '.';
    }
}
