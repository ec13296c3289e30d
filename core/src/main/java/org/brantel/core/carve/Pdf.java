package org.brantel.core.carve;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.source.ByteView;

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
    private static final int FALSE_ENDS = 64;

    @Override
    public String code() {
        return "pdf";
    }

    @Override
    public boolean startsAt(byte[] block, int at) {
        return Bytes.match(block, at, HEADER) && block[at + 5] >= '1' && block[at + 5] <= '9' && block[at + 6] == '.';
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
        int sections = 0;
        int falseEnds = 0;
        long from = HEADER.length;
        while (true) {
            long mark = find(content, from);
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
            end = afterLineEnd(content, from);
            boolean more = stated > end || OBJECT.matcher(text(content, end, 64)).find();
            if (!more) {
                break;
            }
        }
        if (end < 0) {
            return Walk.broken(0, "no end mark whose offset leads to a cross-reference section");
        }
        if (stated > end) {
            return Walk.broken(end, "it states a length of " + stated + " bytes but ends");
        }
        return Walk.whole(end, "Its end mark leads to its cross-reference section"
                + (sections > 1 ? " (" + sections + " sections)." : "."));
    }

    private static long linearizedLength(ByteView content) throws IOException {
        Matcher m = LINEARIZED.matcher(text(content, 0, 1024));
        return m.find() ? Long.parseLong(m.group(1)) : -1;
    }

    private static long find(ByteView content, long from) throws IOException {
        long stop = content.length() - END.length;
        for (long at = from; at <= stop; at++) {
            if (content.u8(at) == '%' && content.startsWith(at, END)) {
                return at;
            }
        }
        return -1;
    }

    private static long startXref(ByteView content, long mark) throws IOException {
        long from = Math.max(0, mark - 64);
        Matcher m = START_XREF.matcher(text(content, from, (int) (mark - from)));
        return m.find() ? Long.parseLong(m.group(1)) : -1;
    }

    private static boolean leadsToSection(ByteView content, long at) throws IOException {
        return at < content.length() && OBJECT.matcher(text(content, at, 64)).find();
    }

    private static long afterLineEnd(ByteView content, long at) throws IOException {
        if (at < content.length() && content.u8(at) == '\r') {
            at++;
        }
        return at < content.length() && content.u8(at) == '\n' ? at + 1 : at;
    }

    private static String text(ByteView content, long at, int most) throws IOException {
        int n = (int) Math.max(0, Math.min(most, content.length() - at));
        return new String(content.bytes(at, n), StandardCharsets.ISO_8859_1);
    }

    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }
}
