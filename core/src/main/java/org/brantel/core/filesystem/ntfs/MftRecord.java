package org.brantel.core.filesystem.ntfs;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.Slot;
import org.brantel.core.content.Extents;

/**
 * A record of the master file table (NTFS3 "struct MFT_REC").
 *
 * <pre>
 * offset size field
 *      0    4  "FILE"
 *      4    2  where the update sequence begins     its first value stands at the end of every 512 bytes;
 *      6    2  values in it                         what stood there follows it, 2 bytes each
 *     16    2  sequence: how often the record was given out
 *     18    2  names
 *     20    2  where the attributes begin
 *     22    2  flags: 1 in use, 2 folder
 *     24    4  bytes in use
 *     32    8  record that this one continues, 0 for none; its sequence in the upper 16 bits
 *     44    4  its own number (since version 3.1)
 * </pre>
 *
 * @param number     its place in the table
 * @param placed     where it lies in the source, when it was found by itself; -1 for the table's own
 * @param bytes      the record with the update sequence undone
 */
record MftRecord(long number, long placed, byte[] bytes, List<Attribute> attributes) {

    static final Slot MARK = new Slot(0, 4);
    static final Slot UPDATES_AT = new Slot(4, 2);
    static final Slot UPDATES = new Slot(6, 2);
    static final Slot SEQUENCE = new Slot(16, 2);
    static final Slot NAMES = new Slot(18, 2);
    static final Slot ATTRIBUTES_AT = new Slot(20, 2);
    static final Slot FLAGS = new Slot(22, 2);
    static final Slot IN_USE = new Slot(24, 4);
    static final Slot BASE = new Slot(32, 8);
    static final Slot NUMBER = new Slot(44, 4);

    static final int SIGNATURE = 0x454c4946;
    static final int STRIDE = 512;
    private static final int MOST_ATTRIBUTES = 512;
    private static final long NUMBER_MASK = 0xffffffffffffL;

    static long numberOf(long reference) {
        return reference & NUMBER_MASK;
    }

    static int sequenceOf(long reference) {
        return (int) (reference >>> 48);
    }

    /**
     * @param b      bytes in which the record stands; not changed
     * @param number its place in the table, or -1 to take the number that it says itself
     * @return empty when no sound record stands there
     */
    static Optional<MftRecord> parse(byte[] b, int at, BootSector boot, long clusters, long number) {
        return parse(b, at, boot, clusters, number, -1);
    }

    /** @param placed where the record lies in the source, when it was found by itself; -1 for the table's own */
    static Optional<MftRecord> parse(byte[] b, int at, BootSector boot, long clusters, long number, long placed) {
        int length = boot.recordBytes();
        if (at + length > b.length || MARK.in(b, at) != SIGNATURE) {
            return Optional.empty();
        }
        byte[] r = new byte[length];
        System.arraycopy(b, at, r, 0, length);
        int sequenceAt = UPDATES_AT.intIn(r, 0);
        if (!UpdateSequence.undo(r, sequenceAt, UPDATES.intIn(r, 0))) {
            return Optional.empty();
        }
        int first = ATTRIBUTES_AT.intIn(r, 0);
        long used = Math.min(IN_USE.in(r, 0), length);
        if (first < 24 || first >= length || used < first) {
            return Optional.empty();
        }
        long own = number >= 0 ? number : sequenceAt >= NUMBER.end() ? NUMBER.in(r, 0) : -1;
        if (own < 0) {
            return Optional.empty();
        }
        return Optional.of(new MftRecord(own, placed, r, attributes(r, first, (int) used, boot, clusters)));
    }

    int sequence() {
        return SEQUENCE.intIn(bytes, 0);
    }

    boolean inUse() {
        return (FLAGS.in(bytes, 0) & 1) != 0;
    }

    boolean folder() {
        return (FLAGS.in(bytes, 0) & 2) != 0;
    }

    int names() {
        return NAMES.intIn(bytes, 0);
    }

    long base() {
        return numberOf(BASE.in(bytes, 0));
    }

    int baseSequence() {
        return sequenceOf(BASE.in(bytes, 0));
    }

    private static List<Attribute> attributes(byte[] r, int first, int used, BootSector boot, long clusters) {
        List<Attribute> all = new ArrayList<>();
        for (int at = first; at + 24 <= used && all.size() < MOST_ATTRIBUTES; ) {
            long type = Attribute.TYPE.in(r, at);
            long length = Attribute.LENGTH.in(r, at);
            if (type == 0xffffffffL || length < 24 || length > used - at) {
                break;
            }
            attribute(r, at, (int) length, (int) type, boot, clusters).ifPresent(all::add);
            at += (int) length;
        }
        return all;
    }

    private static Optional<Attribute> attribute(
            byte[] r, int at, int length, int type, BootSector boot, long clusters) {
        int nameLength = Attribute.NAME_LENGTH.intIn(r, at);
        int nameAt = Attribute.NAME_AT.intIn(r, at);
        if (nameLength > 0 && nameAt + nameLength * 2 > length) {
            return Optional.empty();
        }
        String name = nameLength == 0 ? "" : new String(r, at + nameAt, nameLength * 2, StandardCharsets.UTF_16LE);
        int flags = Attribute.FLAGS.intIn(r, at);
        if (Attribute.AWAY.in(r, at) == 0) {
            long size = Attribute.VALUE_BYTES.in(r, at);
            int valueAt = Attribute.VALUE_AT.intIn(r, at);
            boolean fits = valueAt >= 24 && size <= length - valueAt;
            return fits
                    ? Optional.of(
                            new Attribute(type, name, flags, true, at + valueAt, size, size, Attribute.Piece.NONE))
                    : Optional.empty();
        }
        int runsAt = Attribute.RUNS_AT.intIn(r, at);
        if (length < 64 || runsAt < 64 || runsAt > length) {
            return Optional.empty();
        }
        long firstVcn = Attribute.FIRST_VCN.in(r, at);
        int unit = Attribute.UNIT.intIn(r, at);
        long size = firstVcn == 0 ? Attribute.BYTES.in(r, at) : 0;
        long written = firstVcn == 0 ? Attribute.WRITTEN.in(r, at) : 0;
        if (size < 0 || written < 0 || firstVcn < 0) {
            return Optional.empty();
        }
        long unitBytes = unit > 0 && unit <= 8 ? (long) boot.clusterBytes() << unit : 0;
        Optional<Extents> runs = Runs.unpack(r, at + runsAt, at + length, boot, clusters);
        return Optional.of(new Attribute(
                type,
                name,
                flags,
                false,
                0,
                size,
                Math.min(written, size),
                new Attribute.Piece(
                        firstVcn,
                        unitBytes > 1 << 24 ? 0 : (int) unitBytes,
                        runs.map(Extents::list).orElse(null))));
    }

    Optional<Attribute> first(int type) {
        for (Attribute a : attributes) {
            if (a.type() == type) {
                return Optional.of(a);
            }
        }
        return Optional.empty();
    }

    /**
     * Where a resident value stands, by offsets in the record: the bytes that the update sequence displaced are in the
     * sequence itself.
     */
    List<int[]> piecesOf(Attribute a) {
        List<int[]> pieces = new ArrayList<>();
        int end = a.valueAt() + (int) a.size();
        for (int at = a.valueAt(); at < end; ) {
            int sector = at / STRIDE;
            int displaced = sector * STRIDE + STRIDE - 2;
            if (at < displaced) {
                int n = Math.min(end, displaced) - at;
                pieces.add(new int[] {at, n});
                at += n;
            } else {
                int into = at - displaced;
                int n = Math.min(end - at, 2 - into);
                pieces.add(new int[] {UPDATES_AT.intIn(bytes, 0) + 2 + sector * 2 + into, n});
                at += n;
            }
        }
        return pieces;
    }

    /** Whether bytes begin like a record. */
    static boolean begins(byte[] b, int i) {
        return b[i] == 'F' && b[i + 1] == 'I' && b[i + 2] == 'L' && b[i + 3] == 'E';
    }
}
