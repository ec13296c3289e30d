package org.brantel.core.kind.text;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;
import org.jspecify.annotations.Nullable;

/**
 * Mail (RFC 5322 and 2045): header lines, an empty line, text. A message in parts ends with the closing line of its
 * outer boundary; of others, and of mailboxes (RFC 4155), only that the text goes on says where they end.
 */
final class MailText implements ContentKind {

    private static final Pattern FIELD = Pattern.compile(
            "(?m)^(From|To|Subject|Date|Message-ID|Received|Return-Path|MIME-Version|Delivered-To):",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern BOUNDARY =
            Pattern.compile("boundary=\"?([^\"\\s;]{1,70})\"?", Pattern.CASE_INSENSITIVE);
    private static final Pattern SUBJECT = Pattern.compile("(?im)^Subject:[ \\t]*([^\\r\\n]{1,200})");
    private static final Pattern DATE = Pattern.compile("(?im)^Date:[ \\t]*([^\\r\\n]{1,60})");
    private static final Pattern FROM = Pattern.compile("(?im)^From:[ \\t]*([^\\r\\n]{1,120})");
    private static final int HEAD = 16 << 10;

    @Override
    public String code() {
        return "eml";
    }

    @Override
    public Set<String> codes() {
        return Set.of("eml", "mbox");
    }

    @Override
    public List<Start> starts() {
        return List.of(
                Start.of("From: "),
                Start.of(Envelope.FROM),
                Start.of("Received: "),
                Start.of("Return-Path: "),
                Start.of("Delivered-To: "),
                Start.of("MIME-Version: "),
                Start.of("Message-ID: "),
                Start.of("Date: "),
                Start.of("Subject: "));
    }

    @Override
    public boolean isDistinct() {
        return false;
    }

    @Override
    public long longest() {
        return 1L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        String head = Bytes.text(content, 0, HEAD);
        int blank = head.indexOf("\n\n") >= 0 ? head.indexOf("\n\n") : head.indexOf("\n\r\n");
        String fields = blank < 0 ? head : head.substring(0, blank + 1);
        long known = FIELD.matcher(fields)
                .results()
                .map(m -> m.group(1).toLowerCase(Locale.ROOT))
                .distinct()
                .count();
        boolean box = Envelope.begins(head);
        if (blank < 0 || !box && known < 3) {
            return Walk.broken(0, "it has not the header lines of a message");
        }
        About about = About.NONE
                .with(About.SUBJECT, first(SUBJECT, fields))
                .with(About.FROM, first(FROM, fields))
                .with(About.TAKEN, first(DATE, fields));
        Matcher boundary = BOUNDARY.matcher(fields);
        if (!box && boundary.find()) {
            byte[] closing = Bytes.latin("--" + boundary.group(1) + "--");
            long end = PlainText.find(content, closing, 0);
            if (end > blank) {
                return Walk.whole(
                                Bytes.withLineEnd(content, end + closing.length),
                                "Its parts are closed by their boundary.")
                        .about(about);
            }
        }
        long end = PlainText.end(content);
        return Walk.likely(end, "It ends where the text does.")
                .as(box ? "mbox" : "eml")
                .about(about);
    }

    private static @Nullable String first(Pattern pattern, String text) {
        Matcher m = pattern.matcher(text);
        return m.find() ? m.group(1) : null;
    }
}
