package org.brantel.core.filesystem.ntfs;

import static org.brantel.core.bytes.LittleEndian.i64;
import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import org.brantel.core.content.Extent;
import org.brantel.core.content.FileContent;
import org.jspecify.annotations.Nullable;

/**
 * The change journal, stream $J of $UsnJrnl (MS-FSCC section 2.3.62, USN_RECORD_V2).
 *
 * <pre>
 * offset size field
 *      0    4  bytes of the record; a multiple of 8
 *      4    2  version: 2
 *      8    8  record of the file
 *     16    8  record of its folder
 *     32    8  when
 *     40    4  reason: 00000200 deleted
 *     52    4  attributes: 00000010 folder
 *     56    2  bytes of the name
 *     58    2  where the name begins
 * </pre>
 */
final class ChangeJournal {

    /** @param deleted whether the record says that the file was deleted */
    record Change(
            long number,
            int sequence,
            long parent,
            int parentSequence,
            @Nullable Instant when,
            boolean deleted,
            boolean folder,
            String name) {}

    /** Hears of the changes in their order. */
    interface Listener {
        void changed(Change change);
    }

    private static final long DELETED = 0x200;
    private static final int HEAD = 60;
    private static final int MOST_RECORD = 60 + 510 + 8;
    private static final int BLOCK = 1 << 20;

    private ChangeJournal() {}

    /** @param extents of the stream; its beginning is a hole, as the journal drops what is old */
    static void read(FileContent journal, Iterable<Extent> extents, Listener listener) throws IOException {
        byte[] block = new byte[BLOCK];
        long start = 0;
        for (Extent e : extents) {
            if (!e.isHole()) {
                // A record may run over the end of a block, not of what is allocated in one piece with it.
                for (long at = start; at < start + e.length() && at < journal.size(); ) {
                    int n = (int) Math.min(BLOCK, Math.min(start + e.length(), journal.size()) - at);
                    journal.read(at, block, 0, n);
                    at += Math.max(8, take(block, n, n < BLOCK, listener));
                }
            }
            start += e.length();
        }
    }

    /** @return bytes that are done with */
    private static int take(byte[] b, int length, boolean last, Listener listener) {
        int at = 0;
        while (at + HEAD <= length) {
            if (!last && at > length - MOST_RECORD) {
                return at;
            }
            int record = (int) u32(b, at);
            boolean fits = record >= HEAD
                    && record <= MOST_RECORD
                    && (record & 7) == 0
                    && at + record <= length
                    && u16(b, at + 4) == 2;
            if (fits) {
                int name = u16(b, at + 56);
                int nameAt = u16(b, at + 58);
                fits = name > 0 && nameAt >= HEAD && nameAt + name <= record;
                if (fits) {
                    long own = i64(b, at + 8);
                    long parent = i64(b, at + 16);
                    listener.changed(new Change(
                            MftRecord.numberOf(own),
                            MftRecord.sequenceOf(own),
                            MftRecord.numberOf(parent),
                            MftRecord.sequenceOf(parent),
                            FileTime.instant(i64(b, at + 32)),
                            (u32(b, at + 40) & DELETED) != 0,
                            (u32(b, at + 52) & 0x10) != 0,
                            new String(b, at + nameAt, name, StandardCharsets.UTF_16LE)));
                }
            }
            at += fits ? record : 8;
        }
        return length;
    }
}
