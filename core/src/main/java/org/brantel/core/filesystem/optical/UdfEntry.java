package org.brantel.core.filesystem.optical;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;
import static org.brantel.core.bytes.LittleEndian.u8;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.Slot;
import org.brantel.core.finding.Times;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/**
 * A file entry (ECMA-167 sections 4/14.9 and 4/14.17).
 *
 * <pre>
 * offset                   field
 * plain  extended
 *    27     27   1  type: 4 folder, 5 file
 *    34     34   2  flags; low 3 bits: places are 0 short, 1 long, 3 the content itself
 *    56     56   8  bytes of content
 *    72     80  12  accessed
 *    84     92  12  changed
 *     -    104  12  created
 *   168    208   4  bytes of extended attributes
 *   172    212   4  bytes of places
 *   176    216      extended attributes, places
 *
 * place: 0 4 bytes, the two highest bits 0 recorded, 1 and 2 not, 3 more places there; 4 4 block; long: 8 2 partition;
 * 16 bytes
 * </pre>
 *
 * @param at   where it lies in the source
 * @param part partition that its short places are in
 */
record UdfEntry(long at, int part, int type, long size, Times times, boolean embedded, List<Piece> pieces) {

    /**
     * @param part  its partition, or -1 for the entry's own
     * @param block first block; the first byte in the source for content that stands in the entry
     */
    record Piece(int part, long block, long bytes, boolean recorded) {}

    static final int HEAD = 176;
    static final int EXTENDED_HEAD = 216;
    static final Slot TYPE = new Slot(27, 1);
    private static final Slot FLAGS = new Slot(34, 2);
    static final Slot BYTES = new Slot(56, 8);
    /** Before the end of the head, plain or extended. */
    static final Slot ATTRIBUTE_BYTES = new Slot(-8, 4);

    static final Slot PLACE_BYTES = new Slot(-4, 4);

    private static final int MOST_PIECES = 1 << 16;

    static Optional<UdfEntry> read(Source source, long at, int blockBytes) throws IOException {
        byte[] b = new byte[blockBytes];
        if (at < 0
                || at > source.size() - b.length
                || !source.read(at, b, 0, b.length).isClean()) {
            return Optional.empty();
        }
        int tag = UdfTag.of(b, 0);
        if (tag != UdfTag.FILE_ENTRY && tag != UdfTag.EXTENDED_FILE_ENTRY) {
            return Optional.empty();
        }
        boolean extended = tag == UdfTag.EXTENDED_FILE_ENTRY;
        int head = extended ? EXTENDED_HEAD : HEAD;
        long attributes = ATTRIBUTE_BYTES.in(b, head);
        long places = PLACE_BYTES.in(b, head);
        long size = BYTES.in(b, 0);
        if (attributes > b.length - head || places > b.length - head - attributes || size < 0) {
            return Optional.empty();
        }
        int from = head + (int) attributes;
        int kind = FLAGS.intIn(b, 0) & 7;
        List<Piece> pieces = kind == 3
                ? List.of(new Piece(-1, at + from, places, true))
                : pieces(b, from, from + (int) places, kind);
        return Optional.of(new UdfEntry(
                at,
                0,
                TYPE.intIn(b, 0),
                size,
                new Times(extended ? time(b, 104) : null, time(b, extended ? 92 : 84), time(b, extended ? 80 : 72)),
                kind == 3,
                pieces));
    }

    private static List<Piece> pieces(byte[] b, int from, int end, int kind) {
        int length = kind == 0 ? 8 : 16;
        List<Piece> pieces = new ArrayList<>();
        for (int at = from; at + length <= end && pieces.size() < MOST_PIECES; at += length) {
            long bytes = u32(b, at) & 0x3fffffff;
            int recorded = (int) (u32(b, at) >> 30);
            if (bytes == 0 || recorded == 3) {
                break;
            }
            pieces.add(new Piece(kind == 0 ? -1 : u16(b, at + 8), u32(b, at + 4), bytes, recorded == 0));
        }
        return pieces;
    }

    UdfEntry in(int partition) {
        return new UdfEntry(at, partition, type, size, times, embedded, pieces);
    }

    boolean isFolder() {
        return type == 4;
    }

    /** Text (UDF 2.1.1): the first byte says 8 or 16 bits a character. */
    static String text(byte[] b, int at, int room, int length) {
        int n = Math.min(length, room);
        if (n < 2) {
            return "";
        }
        String text = u8(b, at) == 16
                ? new String(b, at + 1, n - 1 & ~1, StandardCharsets.UTF_16BE)
                : new String(b, at + 1, n - 1, StandardCharsets.ISO_8859_1);
        return text.replace("\0", "");
    }

    /** ECMA-167 section 1/7.3: the low 12 bits are minutes from UTC, -2047 where that is not known. */
    private static @Nullable Instant time(byte[] b, int at) {
        int zone = u16(b, at) << 20 >> 20;
        try {
            return LocalDateTime.of(
                            u16(b, at + 2),
                            u8(b, at + 4),
                            u8(b, at + 5),
                            u8(b, at + 6),
                            u8(b, at + 7),
                            u8(b, at + 8),
                            Math.min(99, u8(b, at + 9)) * 10_000_000)
                    .toInstant(ZoneOffset.UTC)
                    .minusSeconds(zone == -2047 ? 0 : zone * 60L);
        } catch (DateTimeException e) {
            return null;
        }
    }
}
