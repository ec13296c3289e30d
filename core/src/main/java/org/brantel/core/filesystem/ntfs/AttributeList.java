package org.brantel.core.filesystem.ntfs;

import static org.brantel.core.bytes.LittleEndian.i64;
import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.content.FileContent;

/**
 * A file whose attributes do not fit into one record lists the records that hold them (NTFS3 "struct ATTR_LIST_ENTRY").
 *
 * <pre>
 * offset size field
 *      0    4  type
 *      4    2  bytes of the entry
 *      8    8  first virtual cluster of the piece
 *     16    8  record that holds it
 * </pre>
 */
final class AttributeList {

    private static final int MOST_BYTES = 1 << 20;
    private static final int MOST_PIECES = 4096;

    private final Records table;

    AttributeList(Records table) {
        this.table = table;
    }

    /** A piece with the record that holds it. */
    record Held(MftRecord record, Attribute attribute) {}

    /** All attributes of a file: its own, and those of the records that continue it. */
    List<Held> all(MftRecord record) throws IOException {
        List<Held> all = new ArrayList<>(record.attributes().size());
        for (Attribute a : record.attributes()) {
            all.add(new Held(record, a));
        }
        Optional<Attribute> list = record.first(Attribute.LIST);
        if (list.isEmpty()) {
            return all;
        }
        Set<Long> seen = new HashSet<>(Set.of(record.number()));
        byte[] entries = value(record, list.get());
        for (int at = 0; at + 26 <= entries.length && seen.size() < MOST_PIECES; ) {
            int length = u16(entries, at + 4);
            if (length < 26 || u32(entries, at) == 0xffffffffL) {
                break;
            }
            long number = MftRecord.numberOf(i64(entries, at + 16));
            if (seen.add(number)) {
                Optional<MftRecord> piece = table.record(number).filter(r -> continues(r, record));
                piece.ifPresent(r -> r.attributes().forEach(a -> all.add(new Held(r, a))));
            }
            at += length;
        }
        return all;
    }

    /** A file that was deleted has a higher sequence than its pieces remember. */
    private static boolean continues(MftRecord piece, MftRecord record) {
        int before = record.sequence() - 1;
        return piece.base() == record.number()
                && (piece.baseSequence() == record.sequence() || !record.inUse() && piece.baseSequence() == before);
    }

    private byte[] value(MftRecord record, Attribute a) throws IOException {
        int size = (int) Math.min(a.size(), MOST_BYTES);
        if (a.resident()) {
            byte[] value = new byte[size];
            System.arraycopy(record.bytes(), a.valueAt(), value, 0, size);
            return value;
        }
        byte[] value = new byte[size];
        if (a.extents() == null
                || !new FileContent(table.source(), a.extents(), size, null)
                        .read(0, value, 0, size)
                        .isClean()) {
            return new byte[0];
        }
        return value;
    }

    /** The extents of a stream, its pieces in order; shorter where one is missing. */
    List<Extent> dataOf(MftRecord record, String stream) throws IOException {
        return joined(
                all(record).stream()
                        .map(Held::attribute)
                        .filter(a -> a.type() == Attribute.DATA && a.name().equals(stream) && !a.resident())
                        .toList(),
                table.boot().clusterBytes());
    }

    /** Pieces of one attribute, put together by their first virtual cluster; ends where one is missing or malformed. */
    static List<Extent> joined(List<Attribute> pieces, int clusterBytes) {
        if (pieces.size() == 1
                && pieces.get(0).extents() != null
                && pieces.get(0).firstVcn() == 0) {
            return pieces.get(0).extents();
        }
        List<Attribute> sorted = new ArrayList<>(pieces);
        sorted.sort(Comparator.comparingLong(Attribute::firstVcn));
        Extents all = new Extents();
        for (Attribute piece : sorted) {
            if (piece.extents() == null || piece.firstVcn() != all.length() / clusterBytes) {
                break;
            }
            piece.extents().forEach(e -> all.add(e.offset(), e.length()));
        }
        return all.list();
    }
}
