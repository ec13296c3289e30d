package org.brantel.core.kind.document;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Resumable;
import org.brantel.core.kind.Start;
import org.jspecify.annotations.Nullable;

/**
 * PDF (ISO 32000-1, section 7.5): a header, objects, a cross-reference section, a trailer that ends with {@code
 * startxref}, the offset of the last section, and {@code %%EOF}; updates append more of the same. Linearised files
 * (annex F) state their length in their first object.
 *
 * <p>An end mark counts only when its offset leads to a cross-reference section. What follows it decides whether an
 * update begins there or the file is over.
 */
final class Pdf implements ContentKind {

    private static final byte[] HEADER = ascii("%PDF-");
    private static final byte[] END = ascii("%%EOF");
    private static final Pattern START_XREF = Pattern.compile("startxref\\s+(\\d{1,15})\\s+$");
    private static final Pattern LINEARIZED = Pattern.compile("/Linearized\\b.*?/L\\s+(\\d{1,15})", Pattern.DOTALL);
    private static final Pattern OBJECT = Pattern.compile("^\\s*(xref\\b|\\d{1,10}\\s+\\d{1,5}\\s+obj\\b)");
    /** What an update begins with; some programs write comments before it. */
    private static final Pattern UPDATE =
            Pattern.compile("^(?:\\s*%[^%\\r\\n][^\\r\\n]*[\\r\\n])*\\s*(xref\\b|\\d{1,10}\\s+\\d{1,5}\\s+obj\\b)");

    private static final Pattern PART = Pattern.compile("^\\s*(\\d{1,10}) (\\d{1,7})\\s*?(?:\\r\\n|\\n|\\r| \\n)");
    private static final Pattern NUMBERED = Pattern.compile("^\\s*(\\d{1,10})\\s+\\d+\\s+obj\\b");
    private static final Pattern ENTRY = Pattern.compile("^(\\d{10}) \\d{5} ([nf])");
    private static final int MOST_PARTS = 10_000;
    private static final int FALSE_ENDS = 64;
    /** What a line end more or less makes. */
    private static final int LINE_ENDS = 4;

    private static final int SECTOR = 512;

    @Override
    public String code() {
        return "pdf";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("%PDF-"));
    }

    @Override
    public boolean couldStart(byte[] block, int at) {
        return block[at + 5] >= '1' && block[at + 5] <= '9' && block[at + 6] == '.';
    }

    @Override
    public long longest() {
        return 256L << 20;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        if (!content.startsWith(0, HEADER)) {
            return Walk.broken(0, "does not begin as a PDF");
        }
        long stated = linearizedLength(content);
        long end = -1;
        long table = -1;
        int sections = 0;
        int falseEnds = 0;
        boolean more = true;
        boolean fits = stated < 0;
        long from = HEADER.length;
        while (more) {
            long mark = nextEnd(content, from);
            if (mark < 0) {
                break;
            }
            from = mark + END.length;
            long xref = startXref(content, mark);
            if (xref < 0 || xref != 0 && !leadsToSection(content, xref)) {
                if (++falseEnds > FALSE_ENDS) {
                    break;
                }
                continue;
            }
            sections++;
            table = xref;
            end = afterLineEnd(content, from);
            fits |= Math.abs(stated - end) <= LINE_ENDS;
            more = stated > end || UPDATE.matcher(Bytes.text(content, end, 256)).find();
        }
        if (end < 0) {
            return Walk.broken(0, "no end mark whose offset leads to a cross-reference section");
        }
        if (stated > end) {
            return Walk.broken(end, "it states a length of " + stated + " bytes but ends");
        }
        if (more || !fits) {
            return Walk.damaged(
                            end,
                            more
                                    ? "Behind the end mark at byte " + end + " an update begins that has no end."
                                    : "None of its end marks stands at byte " + stated
                                            + ", where its first object says that it ends.")
                    .about(PdfWords.of(content, end));
        }
        long misplaced = misplaced(content, table, end);
        if (misplaced >= 0) {
            return Walk.damaged(
                            end,
                            "Its end mark leads to its cross-reference section, but at byte " + misplaced
                                    + " the object does not stand that this names.")
                    .about(PdfWords.of(content, end));
        }
        PdfParts parts = new PdfParts(content);
        parts.walk(HEADER.length + 3);
        if (parts.unpacksNot() && parts.part() < end) {
            return Walk.damaged(
                            end,
                            "Its end mark leads to its cross-reference section, but the stream at byte " + parts.part()
                                    + " does not unpack.")
                    .about(PdfWords.of(content, end));
        }
        return Walk.whole(
                        end,
                        "Its end mark leads to its cross-reference section"
                                + (sections > 1 ? " (" + sections + " sections)." : "."))
                .about(PdfWords.of(content, end))
                .proving(parts.checkedBytes());
    }

    @Override
    public @Nullable Resumable resumable(ByteView content) throws IOException {
        PdfParts parts = new PdfParts(content);
        parts.walk(HEADER.length + 3);
        return parts.failedAt() < 0 ? null : new PdfAgain(this, content, parts);
    }

    /** The next end mark; none once another file begins: one that is attached stands behind the word {@code stream}. */
    private static long nextEnd(ByteView content, long from) throws IOException {
        for (long at = content.find('%', from, content.length());
                at >= 0;
                at = content.find('%', at + 1, content.length())) {
            if (content.startsWith(at, END)) {
                return at;
            }
            if (at % SECTOR == 0
                    && content.startsWith(at, HEADER)
                    && !Bytes.text(content, at - 8, 8).strip().endsWith("stream")) {
                return -1;
            }
        }
        return -1;
    }

    private static long linearizedLength(ByteView content) throws IOException {
        Matcher m = LINEARIZED.matcher(Bytes.text(content, 0, 1024));
        return m.find() ? Long.parseLong(m.group(1)) : -1;
    }

    static long startXref(ByteView content, long mark) throws IOException {
        long from = Math.max(0, mark - 64);
        Matcher m = START_XREF.matcher(Bytes.text(content, from, (int) (mark - from)));
        return m.find() ? Long.parseLong(m.group(1)) : -1;
    }

    private static boolean leadsToSection(ByteView content, long at) throws IOException {
        return at < content.length()
                && OBJECT.matcher(Bytes.text(content, at, 64)).find();
    }

    private static long afterLineEnd(ByteView content, long at) throws IOException {
        if (at < content.length() && content.u8(at) == '\r') {
            at++;
        }
        return at < content.length() && content.u8(at) == '\n' ? at + 1 : at;
    }

    /**
     * Objects of the last plain table stand where it says.
     * @return where one should stand and does not; -1 when all do
     */
    private static long misplaced(ByteView content, long xref, long end) throws IOException {
        Matcher part = PART.matcher("");
        long at = xref <= 0 || !Bytes.text(content, xref, 4).equals("xref") ? -1 : xref + 4;
        for (int parts = 0; at > 0 && parts < MOST_PARTS; parts++) {
            String head = Bytes.text(content, at, 64);
            if (!part.reset(head).find()) {
                break;
            }
            int count = Integer.parseInt(part.group(2));
            long first = Long.parseLong(part.group(1));
            at += part.end();
            for (int i = 0; i < count; i++, at += 20) {
                Matcher entry = ENTRY.matcher(Bytes.text(content, at, 20));
                if (!entry.find()) {
                    return at;
                }
                if (entry.group(2).equals("n")) {
                    long place = Long.parseLong(entry.group(1));
                    if (place >= end || !isObject(content, place, first + i)) {
                        // Some writers name an object that they left out by place 0.
                        if (place != 0) {
                            return place;
                        }
                    }
                }
            }
        }
        return -1;
    }

    private static boolean isObject(ByteView content, long place, long number) throws IOException {
        Matcher object = NUMBERED.matcher(Bytes.text(content, place, 40));
        return object.find() && Long.parseLong(object.group(1)) == number;
    }

    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }
}
