package org.brantel.core.kind.document;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.Set;
import java.util.function.LongConsumer;
import org.brantel.core.bytes.ByteView;

/**
 * What the main streams of workbooks and presentations are made of: records that follow each other from the start to
 * the end, little-endian.
 *
 * <pre>
 * workbook (MS-XLS 2.1.4):       0  2  type     2  2  bytes that follow, 8224 at most
 *                                type 0809 begins a part, 000A ends it; 0085 tells at +4 where a sheet's part begins
 * presentation (MS-PPT 2.3.1):   0  2  version in the lower 4 bits, F: it holds others     2  2  type
 *                                4  4  bytes that follow
 * </pre>
 */
final class StreamRecords {

    private static final int PART = 0x0809;
    private static final int PART_ENDS = 0x000a;
    private static final int SHEET = 0x0085;
    private static final int MOST_BYTES = 8224;
    private static final int HOLDS_OTHERS = 0xf;
    private static final int DEEPEST = 64;
    /** The types that a presentation begins with. */
    private static final int DOCUMENT = 0x03e8;

    private static final int EDIT = 0x0ff5;
    private static final long ZIP = 0x04034b50;

    private final ByteView stream;
    private final LongConsumer places;

    /** @param places hears of each place of the stream at which a record was found */
    StreamRecords(ByteView stream, LongConsumer places) {
        this.stream = stream;
        this.places = places;
    }

    /** @return where no record stands and one should; -1 when all do, or the workbook is of another version */
    long firstWrongOfWorkbook() throws IOException {
        if (stream.length() < 4 || stream.u16le(0) != PART) {
            return -1;
        }
        Set<Long> parts = new HashSet<>();
        Set<Long> sheets = new HashSet<>();
        int depth = 0;
        long at = 0;
        while (at + 4 <= stream.length() && (depth > 0 || stream.u16le(at) == PART)) {
            int type = stream.u16le(at);
            int bytes = stream.u16le(at + 2);
            if (type == 0 || bytes > MOST_BYTES || bytes > stream.length() - at - 4) {
                return at;
            }
            places.accept(at);
            if (type == PART) {
                parts.add(at);
                depth++;
            } else if (type == PART_ENDS) {
                depth--;
            } else if (type == SHEET && bytes >= 4) {
                sheets.add(stream.u32le(at + 4));
            }
            at += 4 + bytes;
        }
        // Whatever follows the last part is filling; a sheet that was told of is not.
        return depth == 0 && parts.containsAll(sheets) ? -1 : at;
    }

    /** @return where no record stands and one should; -1 when all do, or the presentation is encrypted */
    long firstWrongOfPresentation() throws IOException {
        if (stream.length() < 8 || stream.u16le(2) != DOCUMENT && stream.u16le(2) != EDIT) {
            return -1;
        }
        Deque<Long> ends = new ArrayDeque<>();
        long at = 0;
        while (at + 8 <= stream.length()) {
            long bytes = stream.u32le(at + 4);
            boolean holds = (stream.u16le(at) & HOLDS_OTHERS) == HOLDS_OTHERS && !isPackage(at + 8, bytes);
            long room = (ends.isEmpty() ? stream.length() : ends.peek()) - at - 8;
            if (stream.u16le(at + 2) == 0 || bytes > room || ends.size() > DEEPEST) {
                return at;
            }
            places.accept(at);
            at += 8;
            if (holds) {
                ends.push(at + bytes);
            } else {
                at += bytes;
            }
            while (!ends.isEmpty() && at == ends.peek()) {
                ends.pop();
            }
            if (!ends.isEmpty() && at + 8 > ends.peek()) {
                return at;
            }
        }
        return ends.isEmpty() ? -1 : at;
    }

    /** Some records that say they hold others hold a package for newer programs. */
    private boolean isPackage(long at, long bytes) throws IOException {
        return bytes >= 4 && at + 4 <= stream.length() && stream.u32le(at) == ZIP;
    }
}
