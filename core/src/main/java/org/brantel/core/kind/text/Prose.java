package org.brantel.core.kind.text;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
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
    /** Looked at to tell a table, the last of them perhaps in part. */
    private static final int MOST_LINES = 13;

    @Override
    public String code() {
        return "txt";
    }

    @Override
    public Set<String> codes() {
        return Set.of("txt", "csv");
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

    /** Whether words begin here; only the first bytes are looked at. */
    @Override
    public boolean couldStart(byte[] b, int at) {
        int letters = 0;
        int spaces = 0;
        for (int i = at; i < at + LEAST; i++) {
            int c = b[i] & 0xff;
            if (PlainText.isOdd(c) || c == 0x7f || i < at + 8 && c > 0xf4) {
                return false;
            }
            letters += c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= '0' && c <= '9' || c >= 0x80 ? 1 : 0;
            spaces += c == ' ' || c == '\n' || c == ',' || c == ';' || c == '\t' ? 1 : 0;
        }
        return letters > LEAST / 2 && spaces > LEAST / 40;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        long end = PlainText.end(content);
        if (end < LEAST) {
            return Walk.broken(end, "the text is too short");
        }
        String head = new String(content.bytes(0, (int) Math.min(end, 2048)), StandardCharsets.UTF_8);
        List<String> lines = head.lines().limit(MOST_LINES).toList();
        String first = lines.isEmpty() ? "" : lines.get(0).strip();
        return Walk.likely(end, "It reads as text; nothing in it says where it ends.")
                .as(isTable(lines) ? "csv" : "txt")
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
