package org.brantel.core.filesystem.optical;

import static org.brantel.core.bytes.LittleEndian.u8;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import org.brantel.core.bytes.Slot;
import org.jspecify.annotations.Nullable;

/**
 * A record of a folder (ECMA-119 section 9.1).
 *
 * <pre>
 * offset size field
 *      0    1  bytes of the record; 0: none until the next block
 *      1    1  blocks of extended attributes before the content
 *      2    4  first block
 *     10    4  bytes of content
 *     18    7  recorded: year - 1900, month, day, hour, minute, second, quarters of an hour from UTC
 *     25    1  flags: 2 folder, 80 the next record continues the content
 *     32    1  bytes of the name
 *     33       name; then, at an even place, the system use field
 * </pre>
 */
record IsoRecord(
        int length, long block, long size, @Nullable Instant recorded, boolean folder, boolean continued, String name) {

    static final Slot LENGTH = new Slot(0, 1);
    private static final Slot EXTENDED_BLOCKS = new Slot(1, 1);
    static final Slot BLOCK = new Slot(2, 4);
    static final Slot BYTES = new Slot(10, 4);
    static final Slot RECORDED = new Slot(18, 7);
    static final Slot FLAGS = new Slot(25, 1);
    static final Slot NAME_LENGTH = new Slot(32, 1);

    static final int HEAD = 33;

    static Optional<IsoRecord> parse(byte[] b, int at, int end, boolean wide, int skip) {
        int length = LENGTH.intIn(b, at);
        if (length < HEAD + 1 || at + length > end) {
            return Optional.empty();
        }
        int nameLength = NAME_LENGTH.intIn(b, at);
        if (nameLength == 0 || HEAD + nameLength > length) {
            return Optional.empty();
        }
        int flags = FLAGS.intIn(b, at);
        String name = name(b, at, nameLength, wide);
        int systemUse = at + HEAD + nameLength + (nameLength + 1 & 1);
        String longer = skip < 0 ? null : alternate(b, systemUse + skip, at + length);
        return Optional.of(new IsoRecord(
                length,
                BLOCK.in(b, at) + EXTENDED_BLOCKS.in(b, at),
                BYTES.in(b, at),
                time(b, at + RECORDED.at()),
                (flags & 2) != 0,
                (flags & 0x80) != 0,
                longer != null ? longer : name));
    }

    /** {@code .} and {@code ..} have the one-byte names 0 and 1. */
    boolean isDots() {
        return name.equals("\0") || name.equals("\1");
    }

    private static String name(byte[] b, int at, int length, boolean wide) {
        if (length == 1 && u8(b, at + HEAD) <= 1) {
            return String.valueOf((char) b[at + HEAD]);
        }
        Charset charset = wide ? StandardCharsets.UTF_16BE : StandardCharsets.ISO_8859_1;
        String name = new String(b, at + HEAD, length, charset);
        int version = name.lastIndexOf(';');
        String bare = version > 0 ? name.substring(0, version) : name;
        return bare.endsWith(".") && bare.length() > 1 ? bare.substring(0, bare.length() - 1) : bare;
    }

    /** The name in the entries NM of the system use field (RRIP 4.1.4): flags at 4, text from 5; null without one. */
    private static @Nullable String alternate(byte[] b, int from, int end) {
        StringBuilder name = null;
        for (int at = from; at + 5 <= end; ) {
            int length = u8(b, at + 2);
            if (length < 4 || at + length > end) {
                break;
            }
            if (b[at] == 'N' && b[at + 1] == 'M' && length >= 5 && (u8(b, at + 4) & 6) == 0) {
                name = name == null ? new StringBuilder() : name;
                name.append(new String(b, at + 5, length - 5, StandardCharsets.UTF_8));
            }
            at += length;
        }
        return name == null || name.isEmpty() ? null : name.toString();
    }

    private static @Nullable Instant time(byte[] b, int at) {
        try {
            return LocalDateTime.of(
                            1900 + u8(b, at),
                            u8(b, at + 1),
                            u8(b, at + 2),
                            u8(b, at + 3),
                            u8(b, at + 4),
                            Math.min(59, u8(b, at + 5)))
                    .toInstant(ZoneOffset.UTC)
                    .minusSeconds(b[at + 6] * 900L);
        } catch (DateTimeException e) {
            return null;
        }
    }
}
