package org.brantel.core.kind.document;

import java.io.IOException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.Adler32;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.archive.Deflated;

/**
 * The parts of a PDF in the order in which they stand (ISO 32000-1, 7.3.10, 7.5.4, 7.5.5): objects, cross-reference
 * tables, trailers. Where the walk over them breaks off, foreign bytes have begun. Streams in DEFLATE (7.4.4) are
 * unpacked: they carry a checksum.
 */
final class PdfParts {

    private static final Pattern OBJECT = Pattern.compile("^\\d{1,10}\\s+\\d{1,5}\\s+obj\\b");
    private static final Pattern LENGTH = Pattern.compile("/Length\\s+(\\d{1,12})(\\s+\\d+\\s+R)?");
    private static final Pattern PACKED = Pattern.compile("/Filter\\s*\\[?\\s*/FlateDecode\\b");
    private static final Pattern STREAM_END = Pattern.compile("^\\s*endstream\\s*endobj");
    private static final Pattern STREAM = Pattern.compile("\\bstream\\r?\\n");
    private static final Pattern SECTION = Pattern.compile("^\\d{1,10} (\\d{1,7})\\s*?(?:\\r\\n|\\n|\\r| \\n)");
    private static final Pattern ENTRY = Pattern.compile("^\\d{10} \\d{5} [nf][\\r\\n ]{2}");
    private static final Pattern END = Pattern.compile("^startxref\\s+\\d{1,15}\\s+%%EOF");
    private static final int MOSTLY = 1024;
    private static final int HEAD = 64 << 10;
    private static final int MOST_HEAD = 2 << 20;
    private static final int MOST_SECTIONS = 10_000;
    /** Fewer than any gap between two pieces: what is more is not written between parts. */
    private static final int MOST_SPACE = 256;
    /** Where nothing but a file system's smallest cluster fits in, foreign bytes have one place to be. */
    private static final int SHORT = 4096;

    private final ByteView content;
    private long part;
    private long failedAt = -1;
    private boolean checked;
    private boolean firstChecked;
    private boolean any;
    private boolean unpacksNot;
    private final Coverage coverage = new Coverage();

    PdfParts(ByteView content) {
        this.content = content;
    }

    /** Where the part begins in which the walk broke off. */
    long part() {
        return part;
    }

    /** Where it broke off at the latest; -1 when it did not. */
    long failedAt() {
        return failedAt;
    }

    /** Whether it broke off in a stream that does not unpack, rather than between parts. */
    boolean unpacksNot() {
        return unpacksNot;
    }

    /** Bytes of what was walked in which foreign ones would have been noticed. */
    long checkedBytes() {
        return coverage.bytes();
    }

    /** Whether foreign bytes in the first part that was walked would have been noticed. */
    boolean isFirstChecked() {
        return firstChecked;
    }

    /** Walks from a part's beginning to the last trailer's end, or to where it breaks. */
    void walk(long from) throws IOException {
        long at = from;
        while (failedAt < 0) {
            long next = afterSpace(at);
            part = next < 0 ? at : next;
            if (next < 0) {
                failedAt = at + MOST_SPACE;
                return;
            }
            checked = true;
            String head = Bytes.text(content, next, 32);
            if (OBJECT.matcher(head).find()) {
                at = object(next);
            } else if (head.startsWith("xref")) {
                at = table(next + 4);
            } else if (head.startsWith("trailer")) {
                long end = content.find(Bytes.latin("startxref"), next, Math.min(content.length(), next + HEAD));
                at = end < 0 ? failed(next + SHORT) : end;
            } else if (head.startsWith("startxref")) {
                at = matched(END, next, 64);
                if (at > 0 && !goesOn(at)) {
                    firstChecked = any ? firstChecked : checked;
                    return;
                }
                at = at < 0 ? failed(next + 64) : at;
            } else {
                at = failed(next);
            }
            firstChecked = any ? firstChecked : checked;
            any = true;
            if (failedAt < 0) {
                coverage.place(next);
                if (checked) {
                    coverage.stretch(next, at);
                }
            }
        }
    }

    /** Sections of entries of 20 bytes each (7.5.4). */
    private long table(long from) throws IOException {
        long at = from;
        for (int sections = 0; sections < MOST_SECTIONS; sections++) {
            at = afterSpace(at);
            Matcher section = SECTION.matcher(at < 0 ? "" : Bytes.text(content, at, 32));
            if (!section.find()) {
                return at < 0 ? failed(from + MOST_SPACE) : at;
            }
            at += section.end();
            for (int left = Integer.parseInt(section.group(1)); left > 0; left--, at += 20) {
                if (!ENTRY.matcher(Bytes.text(content, at, 20)).find()) {
                    return failed(at);
                }
            }
        }
        return failed(at);
    }

    private boolean goesOn(long at) throws IOException {
        long next = at >= content.length() ? -1 : afterSpace(at);
        if (next < 0) {
            return false;
        }
        String head = Bytes.text(content, next, 32);
        return OBJECT.matcher(head).find() || head.startsWith("xref");
    }

    private long failed(long at) {
        failedAt = Math.min(at, content.length());
        return -1;
    }

    private long matched(Pattern pattern, long at, int most) throws IOException {
        Matcher m = pattern.matcher(Bytes.text(content, at, most));
        return m.find() ? at + m.end() : -1;
    }

    /** Behind white space and comments, but for end marks; -1 when there is more than anybody writes. */
    private long afterSpace(long from) throws IOException {
        long at = from;
        boolean comment = false;
        for (; at < content.length() && at - from < MOST_SPACE; at++) {
            int c = content.u8(at);
            if (comment) {
                comment = c != '\n' && c != '\r';
            } else if (c == '%') {
                comment = true;
            } else if (c != ' ' && c != '\n' && c != '\r' && c != '\t' && c != '\f' && c != 0) {
                return at;
            }
        }
        return -1;
    }

    private long object(long at) throws IOException {
        // Most objects are short.
        String head = Bytes.text(content, at, MOSTLY);
        head = head.contains("endobj") || STREAM.matcher(head).find() ? head : Bytes.text(content, at, HEAD);
        int end = head.indexOf("endobj");
        Matcher stream = STREAM.matcher(head);
        if (stream.find() && (end < 0 || stream.start() < end)) {
            return stream(at, head.substring(0, stream.start()), at + stream.end());
        }
        if (end < 0) {
            long far = content.find(Bytes.latin("endobj"), at, Math.min(content.length(), at + MOST_HEAD));
            checked = false;
            return far < 0 ? failed(at + HEAD) : far + 6;
        }
        checked = end < SHORT;
        return at + end + 6;
    }

    private long stream(long object, String dictionary, long data) throws IOException {
        Matcher length = LENGTH.matcher(dictionary);
        byte[] mark = Bytes.latin("endstream");
        long end;
        if (length.find() && length.group(2) == null) {
            end = data + Long.parseLong(length.group(1));
            if (end > content.length() - 9) {
                return failed(content.length());
            }
        } else {
            end = content.find(mark, data, content.length());
            if (end < 0) {
                return failed(content.length());
            }
        }
        checked = end - object < SHORT;
        if (PACKED.matcher(dictionary).find()) {
            checked = true;
            long unpacked = unpacked(data, end);
            if (unpacked >= 0) {
                unpacksNot = true;
                return failed(unpacked);
            }
        }
        String behind = Bytes.text(content, end, 32);
        Matcher closed = STREAM_END.matcher(behind);
        return closed.find() ? end + closed.end() : failed(end);
    }

    /** @return where it does not unpack at the latest; -1 when it does, and its checksum is right */
    private long unpacked(long data, long end) throws IOException {
        Adler32 sum = new Adler32();
        Deflated deflated = new Deflated(content, (bytes, n) -> sum.update(bytes, 0, n));
        long after = end - data < 6 ? -1 : deflated.read(data + 2);
        if (after < 0) {
            return deflated.failedAt() > data ? deflated.failedAt() : end;
        }
        return after + 4 <= end + 1 && content.u32be(after) == sum.getValue() ? -1 : Math.min(end, after);
    }
}
