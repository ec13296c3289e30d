package org.brantel.core.kind.text;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/** vCard (RFC 6350) and iCalendar (RFC 5545): lines between BEGIN and END; cards follow each other. */
final class Cards implements ContentKind {

    private static final int MOST_BLANK = 256;
    private static final Pattern NAME = Pattern.compile("(?m)^(?:FN|SUMMARY)[^:\\r\\n]*:([^\\r\\n]{1,200})");

    @Override
    public String code() {
        return "vcf";
    }

    @Override
    public Set<String> codes() {
        return Set.of("vcf", "ics");
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("BEGIN:VCARD"), Start.of("BEGIN:VCALENDAR"));
    }

    @Override
    public long longest() {
        return 64L << 20;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        boolean card = Bytes.text(content, 0, 11).equals("BEGIN:VCARD");
        String begin = card ? "BEGIN:VCARD" : "BEGIN:VCALENDAR";
        byte[] end = Bytes.latin(card ? "END:VCARD" : "END:VCALENDAR");
        String code = card ? "vcf" : "ics";
        long at = 0;
        int count = 0;
        while (Bytes.text(content, at, begin.length()).equals(begin)) {
            long close = PlainText.find(content, end, at);
            if (close < 0) {
                return count == 0
                        ? Walk.broken(at, "it is not text, or has no end").as(code)
                        : done(content, at, count).as(code);
            }
            at = Bytes.withLineEnd(content, close + end.length);
            count++;
            long next = content.past(Bytes.BLANK, at, Math.min(content.length(), at + MOST_BLANK));
            at = Bytes.text(content, next, begin.length()).equals(begin) ? next : at;
        }
        return count == 0
                ? Walk.broken(0, "it does not begin as such").as(code)
                : done(content, at, count).as(code);
    }

    private static Walk done(ByteView content, long end, int count) throws IOException {
        Matcher name = NAME.matcher(Bytes.text(content, 0, (int) Math.min(end, 8192)));
        return Walk.whole(
                        end,
                        count == 1
                                ? "It is closed by its end line."
                                : "Each of its " + count + " parts is closed by its end line.")
                .about(About.NONE.with(About.TITLE, name.find() ? name.group(1) : null));
    }
}
