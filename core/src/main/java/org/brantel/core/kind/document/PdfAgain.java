package org.brantel.core.kind.document;

import java.io.IOException;
import java.util.HashSet;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind.Walk;
import org.brantel.core.kind.Resumable;

/**
 * A PDF whose parts break off. Its trailer states where the table before it begins; by how much that is wrong, so much
 * stands in between.
 */
final class PdfAgain implements Resumable {

    private static final Pattern OBJECT = Pattern.compile("(?<=[\\r\\n])\\d{1,10} \\d{1,5} obj\\b");
    private static final byte[] END = Bytes.latin("%%EOF");
    private static final int WINDOW = 1 << 20;
    private static final long MOST_AHEAD = 12 << 20;
    private static final int MOST_MARKS = 32;
    private static final int SECTOR = 512;
    /** Without a trailer there is nothing to join. */
    private static final Set<Long> NO_END = Set.of(-1L);

    private final Pdf pdf;
    private final long part;
    private final long failedAt;
    private final Set<Long> gaps = new HashSet<>();

    PdfAgain(Pdf pdf, ByteView content, PdfParts parts) throws IOException {
        this.pdf = pdf;
        part = parts.part();
        failedAt = parts.failedAt();
        long end = Math.min(content.length(), failedAt + MOST_AHEAD);
        int marks = 0;
        for (long mark = content.find(END, part, end);
                mark >= 0 && marks < MOST_MARKS;
                mark = content.find(END, mark + 1, end), marks++) {
            long stated = Pdf.startXref(content, mark);
            long table = stated <= 0 ? -1 : tableBefore(content, mark);
            long gap = table - stated;
            if (table > 0 && gap > 0 && gap % SECTOR == 0) {
                gaps.add(gap);
            }
        }
    }

    /** Where the table or the last object before a trailer stands. */
    private static long tableBefore(ByteView content, long mark) throws IOException {
        long from = Math.max(0, mark - WINDOW);
        String text = Bytes.text(content, from, (int) (mark - from));
        int table = text.lastIndexOf("xref", text.lastIndexOf("startxref") - 1);
        int trailer = text.lastIndexOf("trailer");
        if (table >= 0 && trailer > table) {
            return from + table;
        }
        long last = -1;
        Matcher object = OBJECT.matcher(text);
        while (object.find()) {
            last = from + object.start();
        }
        return last;
    }

    @Override
    public Set<Long> gaps() {
        return gaps.isEmpty() ? NO_END : gaps;
    }

    @Override
    public Walk broken() {
        return Walk.broken(part, "its parts break off");
    }

    @Override
    public long earliest() {
        return part;
    }

    @Override
    public long latest() {
        return failedAt;
    }

    @Override
    public Walk resume(ByteView other, long same) throws IOException {
        PdfParts parts = new PdfParts(other);
        parts.walk(part);
        if (parts.failedAt() >= 0) {
            return Walk.broken(parts.part(), "its parts break off");
        }
        return parts.isFirstChecked()
                ? pdf.walk(other)
                : Walk.broken(part, "nothing tells where in a part its pieces meet");
    }

    /** Anything but zeros, which nobody asks about. */
    @Override
    public boolean couldContinue(byte[] block, int at, int length) {
        return true;
    }
}
