package org.brantel.core.kind.document;

import java.io.IOException;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * RTF (Rich Text Format 1.9): groups in braces, control words behind a backslash; 7-bit text throughout. It ends where
 * its first brace is closed.
 */
final class Rtf implements ContentKind {

    private static final Pattern TITLE = Pattern.compile("\\{\\\\title ([^{}\\\\]{1,200})\\}");
    private static final Pattern AUTHOR = Pattern.compile("\\{\\\\author ([^{}\\\\]{1,200})\\}");
    private static final Pattern BINARY = Pattern.compile("^\\\\bin(\\d{1,9}) ?");
    private static final int DEEPEST = 10_000;

    @Override
    public String code() {
        return "rtf";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("{\\rtf"));
    }

    @Override
    public long longest() {
        return 512L << 20;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        int depth = 0;
        for (long at = 0; ; at++) {
            int c = content.u8(at);
            if (c == '\\') {
                if (content.u8(at + 1) == 'b' && Bytes.text(content, at, 4).equals("\\bin")) {
                    Matcher bytes = BINARY.matcher(Bytes.text(content, at, 20));
                    at += bytes.find() ? bytes.end() - 1 + Long.parseLong(bytes.group(1)) : 1;
                } else {
                    at++;
                }
            } else if (c == '{') {
                if (++depth > DEEPEST) {
                    return Walk.broken(at, "its groups are too deep");
                }
            } else if (c == '}') {
                if (--depth == 0) {
                    String head = Bytes.text(content, 0, (int) Math.min(at, 16 << 10));
                    Matcher title = TITLE.matcher(head);
                    Matcher author = AUTHOR.matcher(head);
                    About about = About.NONE
                            .with(About.TITLE, title.find() ? title.group(1) : null)
                            .with(About.AUTHOR, author.find() ? author.group(1) : null);
                    return Walk.whole(Bytes.withLineEnd(content, at + 1), "Every group that it opens is closed.")
                            .about(about);
                }
            } else if (c == 0 || c > 0x7e && c < 0xa0 || c < 0x20 && c != '\n' && c != '\r' && c != '\t') {
                return Walk.broken(at, "a byte that such text does not hold");
            }
        }
    }
}
