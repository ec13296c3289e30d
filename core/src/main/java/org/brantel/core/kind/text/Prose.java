package org.brantel.core.kind.text;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * Plain text by its bytes: words and spaces in UTF-8, or lines of as many separators each. Nothing in it says where it
 * ends, so that what is found is never called whole. The scan looks for it where no other kind begins.
 */
public final class Prose implements ContentKind {

    private static final int LEAST = 256;
    /** Of a text that ends in its first sector. */
    private static final int SHORTEST = 24;

    private static final int SECTOR = 512;
    private static final Pattern HTML =
            Pattern.compile("(?is)^(<!--.*?-->)?\\s*<(html|head|body|title|h[1-6]|p|div|table|hr|a|b|i)\\b[^<]*>");
    /** Looked at to tell a table, the last of them perhaps in part. */
    private static final int MOST_LINES = 13;

    @Override
    public String code() {
        return "txt";
    }

    @Override
    public Set<String> codes() {
        return Set.of("txt", "csv", "html");
    }

    /** None: text begins in no special way. */
    @Override
    public List<Start> starts() {
        return List.of();
    }

    @Override
    public boolean isDistinct() {
        return false;
    }

    @Override
    public long longest() {
        return 256L << 20;
    }

    /** Whether words begin here; text that is shorter than what is looked at must fill its sector up with zeros. */
    @Override
    public boolean couldStart(byte[] b, int at) {
        int letters = 0;
        int spaces = 0;
        int i = at;
        for (; i < at + LEAST && b[i] != 0; i++) {
            int c = b[i] & 0xff;
            if (PlainText.isOdd(c) || c == 0x7f || i < at + 8 && c > 0xf4) {
                return false;
            }
            letters += c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= '0' && c <= '9' || c >= 0x80 ? 1 : 0;
            spaces += c == ' ' || c == '\n' || c == ',' || c == ';' || c == '\t' ? 1 : 0;
        }
        int length = i - at;
        return letters > length / 4
                && spaces > length / 64
                && (length == LEAST || length >= SHORTEST && letters > length / 2 && isZero(b, i, at + SECTOR));
    }

    private static boolean isZero(byte[] b, int from, int to) {
        for (int i = from; i < to; i++) {
            if (b[i] != 0) {
                return false;
            }
        }
        return true;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        long end = PlainText.end(content);
        if (end < SHORTEST || end < LEAST && end < content.length() && content.u8(end) != 0) {
            return Walk.broken(end, "the text is too short");
        }
        String head = new String(content.bytes(0, (int) Math.min(end, 2048)), StandardCharsets.UTF_8);
        List<String> lines = head.lines().limit(MOST_LINES).toList();
        String first = head.strip().lines().findFirst().orElse("");
        return Walk.likely(end, "It reads as text; nothing in it says where it ends.")
                .as(HTML.matcher(head).find() ? "html" : isTable(lines) ? "csv" : "txt")
                .about(About.NONE.with(About.WORDS, first.length() > 60 ? first.substring(0, 60) : first));
    }

    private static boolean isTable(List<String> lines) {
        for (char separator : new char[] {',', ';', '\t'}) {
            int columns = count(lines.get(0), separator);
            int same = 0;
            int looked = lines.size() - 1;
            for (int i = 1; i < looked; i++) {
                same += count(lines.get(i), separator) == columns ? 1 : 0;
            }
            if (columns >= 1 && looked > 3 && same >= (looked - 1) * 3 / 4) {
                return true;
            }
        }
        return false;
    }

    private static int count(String line, char separator) {
        return (int) line.chars().filter(c -> c == separator).count();
    }
}
