package org.brantel.core.filesystem.ntfs;

import static org.brantel.core.bytes.LittleEndian.i64;
import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;

import java.util.Optional;
import java.util.function.Consumer;

/**
 * Entries of a folder's index (NTFS3 "struct NTFS_DE"), found wherever they stand: deleted ones stay in the slack of
 * index blocks, others in the log.
 *
 * <pre>
 * offset size field
 *      0    8  record of the file, its sequence in the upper 16 bits
 *      8    2  bytes of the entry
 *     10    2  bytes of the key, which is a name (see {@link FileName})
 *     16       the key
 * </pre>
 */
final class Entries {

    private static final int HEAD = 16;

    /** @param sequence of the record when the entry was written */
    record Entry(long number, int sequence, FileName name) {}

    private Entries() {}

    /**
     * Looks at every eighth byte; only what can be an entry in all its fields is taken.
     *
     * @param records records in the file table, which no reference may exceed
     */
    static void scan(byte[] b, int from, int end, long records, Consumer<Entry> each) {
        for (int at = from + 7 & ~7; at + HEAD + FileName.HEAD <= end; ) {
            Optional<Entry> entry = at(b, at, end, records);
            entry.ifPresent(each);
            at += entry.isPresent() ? u16(b, at + 8) + 7 & ~7 : 8;
        }
    }

    private static Optional<Entry> at(byte[] b, int at, int end, long records) {
        long reference = i64(b, at);
        int length = u16(b, at + 8);
        int key = u16(b, at + 10);
        long number = MftRecord.numberOf(reference);
        boolean fits = key >= FileName.HEAD + 2
                && length >= key + HEAD
                && at + HEAD + key <= end
                && number < Math.max(records, 16)
                && number > 0
                && MftRecord.sequenceOf(reference) != 0
                && (u32(b, at + 12) & 0xfffc) == 0;
        if (!fits) {
            return Optional.empty();
        }
        return FileName.parse(b, at + HEAD, key)
                .filter(n -> key == FileName.HEAD + n.name().length() * 2 && n.isPlausible(records))
                .map(n -> new Entry(number, MftRecord.sequenceOf(reference), n));
    }
}
