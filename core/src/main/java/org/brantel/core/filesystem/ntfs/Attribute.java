package org.brantel.core.filesystem.ntfs;

import java.util.List;
import org.brantel.core.bytes.Slot;
import org.brantel.core.content.Extent;
import org.jspecify.annotations.Nullable;

/**
 * An attribute of a record (NTFS3 "struct ATTRIB").
 *
 * <pre>
 * offset size field                             non-resident:
 *      0    4  type; FFFFFFFF ends the list        16    8  first virtual cluster of this piece
 *      4    4  bytes of the attribute              24    8  last
 *      8    1  1: non-resident                     32    2  where the runs begin
 *      9    1  characters of its name              34    1  clusters of a compression unit, as a power of two
 *     10    2  where the name begins               40    8  allocated bytes    (these three only
 *     12    2  flags: 0001 compressed,             48    8  bytes of content    where the first
 *              4000 encrypted, 8000 sparse         56    8  bytes written       cluster is 0)
 *   resident:
 *     16    4  bytes of the value
 *     20    2  where the value begins
 * </pre>
 *
 * @param resident   the value stands in the record
 * @param valueAt    resident: where in the record the value begins
 * @param size       bytes of content
 * @param written    bytes that were ever written; what follows reads as zeros
 */
record Attribute(
        int type, String name, int flags, boolean resident, int valueAt, long size, long written, Piece piece) {

    /**
     * The clusters of a non-resident one, or of a piece of it.
     *
     * @param firstVcn  of this piece
     * @param unitBytes bytes of a compression unit; 0 when not compressed
     * @param extents   the clusters; null when its runs are malformed
     */
    record Piece(long firstVcn, int unitBytes, @Nullable List<Extent> extents) {
        static final Piece NONE = new Piece(0, 0, List.of());
    }

    static final Slot TYPE = new Slot(0, 4);
    static final Slot LENGTH = new Slot(4, 4);
    static final Slot AWAY = new Slot(8, 1);
    static final Slot NAME_LENGTH = new Slot(9, 1);
    static final Slot NAME_AT = new Slot(10, 2);
    static final Slot FLAGS = new Slot(12, 2);

    static final Slot VALUE_BYTES = new Slot(16, 4);
    static final Slot VALUE_AT = new Slot(20, 2);

    static final Slot FIRST_VCN = new Slot(16, 8);
    static final Slot RUNS_AT = new Slot(32, 2);
    static final Slot UNIT = new Slot(34, 1);
    static final Slot ALLOCATED = new Slot(40, 8);
    static final Slot BYTES = new Slot(48, 8);
    static final Slot WRITTEN = new Slot(56, 8);

    static final int STANDARD_INFORMATION = 0x10;
    static final int LIST = 0x20;
    static final int FILE_NAME = 0x30;
    static final int VOLUME_NAME = 0x60;
    static final int VOLUME_INFORMATION = 0x70;
    static final int DATA = 0x80;
    static final int INDEX_ROOT = 0x90;
    static final int INDEX_ALLOCATION = 0xa0;
    static final int BITMAP = 0xb0;
    static final int REPARSE_POINT = 0xc0;

    static final int COMPRESSED = 0x0001;
    static final int ENCRYPTED = 0x4000;
    static final int SPARSE = 0x8000;

    long firstVcn() {
        return piece.firstVcn();
    }

    int unitBytes() {
        return piece.unitBytes();
    }

    @Nullable
    List<Extent> extents() {
        return piece.extents();
    }

    boolean isCompressed() {
        return (flags & 0xff) == COMPRESSED && unitBytes() > 0;
    }

    boolean isEncrypted() {
        return (flags & ENCRYPTED) != 0;
    }
}
