package org.brantel.core.kind.text;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.bytes.ByteSet;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * XML 1.0, SVG and HTML: text in tags. XML ends where its first element is closed, HTML where the tag of that name is.
 */
final class Markup implements ContentKind {

    private static final Pattern ROOT = Pattern.compile("^<([A-Za-z_][\\w:.-]{0,60})[\\s>/]");
    private static final Pattern TITLE = Pattern.compile("(?is)<title[^>]*>([^<]{1,200})<");

    private static final byte[] CLOSE = {'>'};
    private static final byte[] BRACKET = {'['};
    private static final byte[] UTF_8_MARK = Bytes.latin("\u00ef\u00bb\u00bf");
    private static final long MOST_PROLOG = 1 << 20;
    private static final ByteSet TEXT = ByteSet.of(c -> !PlainText.isOdd(c)).without(0x1b);
    private static final ByteSet BETWEEN_TAGS = TEXT.without('<');
    private static final ByteSet IN_QUOTES = TEXT.without('"').without('\'');
    private static final ByteSet IN_TAG = IN_QUOTES.without('<').without('>');

    @Override
    public String code() {
        return "xml";
    }

    @Override
    public Set<String> codes() {
        return Set.of("xml", "svg", "html");
    }

    @Override
    public List<Start> starts() {
        return List.of(
                Start.of("<?xml"),
                Start.of("\u00ef\u00bb\u00bf<?xml"),
                Start.of("<svg"),
                Start.of("<!DOCTYPE "),
                Start.of("<!doctype "),
                Start.of("<html"),
                Start.of("<HTML"));
    }

    @Override
    public long longest() {
        return 64L << 20;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        long begins = afterProlog(content);
        Matcher root = ROOT.matcher(begins < 0 ? "" : Bytes.text(content, begins, 80));
        if (!root.find()) {
            return Walk.broken(0, "it has no element");
        }
        String name = root.group(1);
        boolean html = name.equalsIgnoreCase("html");
        String code = html ? "html" : name.equals("svg") || name.endsWith(":svg") ? "svg" : "xml";
        long end = html ? afterClosing(content, begins, "html") : afterElement(content, begins);
        if (end < 0) {
            return Walk.broken(-end - 1, "it is not text, or its first element is never closed")
                    .as(code);
        }
        Matcher title = TITLE.matcher(Bytes.text(content, 0, 4096));
        return Walk.whole(Bytes.withLineEnd(content, end), "Its first element is closed.")
                .as(code)
                .about(About.NONE.with(
                        About.TITLE, title.find() ? title.group(1).strip() : null));
    }

    /**
     * Where the first element begins: behind the declaration, comments, instructions and the document type, which may
     * hold declarations in brackets (XML 1.0, section 2.8).
     *
     * @return -1 when there is none
     */
    private static long afterProlog(ByteView content) throws IOException {
        long at = content.startsWith(0, UTF_8_MARK) ? UTF_8_MARK.length : 0;
        while (at >= 0 && at < MOST_PROLOG) {
            at = content.past(Bytes.BLANK, at, content.length());
            String mark = Bytes.text(content, at, 4);
            if (mark.startsWith("<?")) {
                at = after(content, "?>", at);
            } else if (mark.equals("<!--")) {
                at = after(content, "-->", at);
            } else if (mark.startsWith("<!")) {
                at = afterType(content, at);
            } else {
                return mark.startsWith("<") ? at : -1;
            }
        }
        return -1;
    }

    private static long after(ByteView content, String mark, long from) throws IOException {
        long at = PlainText.find(content, Bytes.latin(mark), from);
        return at < 0 ? -1 : at + mark.length();
    }

    private static long afterType(ByteView content, long from) throws IOException {
        long close = PlainText.find(content, CLOSE, from);
        long bracket = PlainText.find(content, BRACKET, from);
        if (bracket < 0 || bracket > close) {
            return close < 0 ? -1 : close + 1;
        }
        long end = after(content, "]", bracket);
        return end < 0 ? -1 : after(content, ">", end);
    }

    /** @return where it ends; else minus the place of what is wrong, minus one */
    private static long afterClosing(ByteView content, long from, String name) throws IOException {
        for (long at = content.past(BETWEEN_TAGS, from, content.length());
                at < content.length();
                at = content.past(BETWEEN_TAGS, at + 1, content.length())) {
            if (content.u8(at) != '<') {
                return -at - 1;
            }
            if (content.u8(at + 1) == '/'
                    && Bytes.text(content, at + 2, name.length())
                            .toLowerCase(Locale.ROOT)
                            .equals(name)) {
                long close = PlainText.find(content, CLOSE, at);
                return close < 0 ? -at - 1 : close + 1;
            }
        }
        return -content.length() - 1;
    }

    private static long afterElement(ByteView content, long from) throws IOException {
        int depth = 0;
        for (long at = content.past(BETWEEN_TAGS, from, content.length());
                at < content.length();
                at = content.past(BETWEEN_TAGS, at + 1, content.length())) {
            if (content.u8(at) != '<') {
                return -at - 1;
            }
            int next = content.u8(at + 1);
            if (next == '!') {
                boolean comment = Bytes.text(content, at, 4).equals("<!--");
                boolean data = Bytes.text(content, at, 9).equals("<![CDATA[");
                long end = PlainText.find(content, Bytes.latin(comment ? "-->" : data ? "]]>" : ">"), at);
                if (end < 0) {
                    return -at - 1;
                }
                at = end + (comment || data ? 2 : 0);
                continue;
            }
            long close = closing(content, at);
            if (close < 0) {
                return -at - 1;
            }
            depth += next == '?' ? 0 : next == '/' ? -1 : content.u8(close - 1) == '/' ? 0 : 1;
            if (depth <= 0 && next != '?') {
                return depth < 0 ? -at - 1 : close + 1;
            }
            at = close;
        }
        return -content.length() - 1;
    }

    /** The end of a tag, which may hold the sign in quotes. */
    private static long closing(ByteView content, long from) throws IOException {
        int quote = 0;
        for (long at = from + 1; at < content.length(); at++) {
            at = content.past(quote == 0 ? IN_TAG : IN_QUOTES, at, content.length());
            int c = content.u8(at);
            if (c == '"' || c == '\'') {
                quote = quote == 0 ? c : quote == c ? 0 : quote;
            } else if (quote == 0 || c != '<' && c != '>') {
                return c == '>' ? at : -1;
            }
        }
        return -1;
    }
}
