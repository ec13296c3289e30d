package org.brantel.core.kind.text;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteSet;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * JSON (RFC 8259): an object or an array that is closed, its brackets paired and its strings ended; or lines of them.
 */
final class JsonText implements ContentKind {

    private static final int DEEPEST = 512;
    private static final int SHORTEST = 16;

    private static final ByteSet PLAIN = ByteSet.of(c -> c >= 0x20 && c != '"' && c != '\\');

    @Override
    public String code() {
        return "json";
    }

    @Override
    public List<Start> starts() {
        return List.of(
                Start.of("{\""),
                Start.of("{\n"),
                Start.of("{\r\n"),
                Start.of("[{"),
                Start.of("[\n"),
                Start.of("[\r\n"));
    }

    @Override
    public boolean isDistinct() {
        return false;
    }

    @Override
    public long longest() {
        return 256L << 20;
    }

    /** Of several values, each on a line of its own, all that follow each other belong together. */
    @Override
    public Walk walk(ByteView content) throws IOException {
        Walk last = value(content, 0);
        int values = 1;
        while (last.whole() && begins(content, last.length())) {
            Walk next = next(content, last.length());
            if (!next.whole()) {
                break;
            }
            last = next;
            values++;
        }
        return values == 1
                ? last
                : Walk.whole(last.length(), "The brackets of its " + values + " values pair and their strings end.");
    }

    private static boolean begins(ByteView content, long at) throws IOException {
        return at < content.length() && content.u8(at - 1) == '\n' && (content.u8(at) == '{' || content.u8(at) == '[');
    }

    /** Another value; text that ends within one ends before it. */
    private static Walk next(ByteView content, long from) throws IOException {
        try {
            return value(content, from);
        } catch (ByteView.End | ByteView.Unread e) {
            return Walk.broken(from, "a value has no end");
        }
    }

    private static Walk value(ByteView content, long from) throws IOException {
        byte[] open = new byte[DEEPEST];
        int depth = 0;
        boolean named = false;
        for (long at = from; ; at++) {
            int c = content.u8(at);
            if (c == '"') {
                at = string(content, at);
                if (at < 0) {
                    return Walk.broken(-at - 1, "a string has no end");
                }
                named = true;
            } else if (c == '{' || c == '[') {
                if (depth == DEEPEST) {
                    return Walk.broken(at, "it is too deep");
                }
                open[depth++] = (byte) c;
            } else if (c == '}' || c == ']') {
                if (depth == 0 || open[depth - 1] != c - 2) {
                    return Walk.broken(at, "brackets do not pair");
                }
                if (--depth == 0) {
                    return at - from < SHORTEST || !named
                            ? Walk.broken(at, "it is too short to be told from other text")
                            : Walk.whole(Bytes.withLineEnd(content, at + 1), "Its brackets pair and its strings end.");
                }
            } else if (!(c == ','
                    || c == ':'
                    || c == ' '
                    || c == '\n'
                    || c == '\r'
                    || c == '\t'
                    || c == '-'
                    || c == '+'
                    || c == '.'
                    || c >= '0' && c <= '9'
                    || c >= 'a' && c <= 'z'
                    || c == 'E')) {
                return Walk.broken(at, "a character that does not belong there");
            }
        }
    }

    private static long string(ByteView content, long from) throws IOException {
        for (long at = from + 1; ; at++) {
            at = content.past(PLAIN, at, content.length());
            int c = content.u8(at);
            if (c == '"') {
                return at;
            }
            if (c < 0x20) {
                return -at - 1;
            }
            at += c == '\\' ? 1 : 0;
        }
    }
}
