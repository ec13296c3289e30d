package org.brantel.core.filesystem.fat;

import java.nio.charset.Charset;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.brantel.core.bytes.Slot;
import org.brantel.core.filesystem.DosAttributes;
import org.brantel.core.finding.Times;
import org.jspecify.annotations.Nullable;

/**
 * A short entry of a folder, 32 bytes, little-endian (ECMA-107 section 8.5; FAT32S "FAT Directory Structure").
 *
 * <pre>
 * offset size field
 *      0   11  name, 8 + 3 bytes padded with spaces; first byte E5 deleted, 00 no more entries, 05 stands for E5
 *     11    1  attributes: 01 read-only, 02 hidden, 04 system, 08 label, 10 folder, 20 archive; 0F long-name part
 *     12    1  08 base and 10 extension are shown in lower case (set by NT-family systems)
 *     13    1  created, tenths of a second (0 to 199, in 10 ms)
 *     14    4  created: time, date
 *     18    2  accessed: date
 *     20    2  first cluster, upper half (FAT32)
 *     22    4  modified: time, date
 *     26    2  first cluster, lower half
 *     28    4  size in bytes; 0 for folders
 * </pre>
 * Dates: bits 15-9 year from 1980, 8-5 month, 4-0 day. Times: 15-11 hour, 10-5 minute, 4-0 seconds / 2. FAT keeps
 * local time without a zone; it is given as UTC.
 *
 * @param rawName    the 11 bytes
 * @param deleted    the first byte is E5
 * @param entryByte  where the entry lies in the source
 */
record DirectoryEntry(
        byte[] rawName,
        boolean deleted,
        int attributes,
        int caseFlags,
        long firstCluster,
        long size,
        Times times,
        long entryByte) {

    static final Slot NAME = new Slot(0, 11);
    static final Slot ATTRIBUTES = new Slot(11, 1);
    private static final Slot CASES = new Slot(12, 1);
    private static final Slot TENTHS = new Slot(13, 1);
    static final Slot CREATED = new Slot(14, 4);
    static final Slot ACCESSED = new Slot(18, 2);
    static final Slot CLUSTER_UPPER = new Slot(20, 2);
    static final Slot MODIFIED = new Slot(22, 4);
    static final Slot CLUSTER_LOWER = new Slot(26, 2);
    static final Slot BYTES = new Slot(28, 4);

    static final int SIZE = 32;
    static final int DELETED = 0xe5;
    static final int LONG_NAME = 0x0f;
    private static final Charset OEM = Charset.forName("IBM437");

    static DirectoryEntry parse(byte[] b, int at, int fatBits, long entryByte) {
        long cluster = CLUSTER_LOWER.in(b, at) | (fatBits == 32 ? (CLUSTER_UPPER.in(b, at) & 0x0fff) << 16 : 0);
        return new DirectoryEntry(
                Arrays.copyOfRange(b, at, at + NAME.length()),
                (b[at] & 0xff) == DELETED,
                ATTRIBUTES.intIn(b, at),
                CASES.intIn(b, at),
                cluster,
                BYTES.in(b, at),
                new Times(
                        time(CREATED.in(b, at), TENTHS.intIn(b, at)),
                        time(MODIFIED.in(b, at), 0),
                        time(ACCESSED.in(b, at) << 16, 0)),
                entryByte);
    }

    boolean isFolder() {
        return (attributes & 0x10) != 0;
    }

    boolean isLabel() {
        return (attributes & 0x18) == 0x08;
    }

    /** {@code .} and {@code ..} */
    boolean isDots() {
        return rawName[0] == '.' && (rawName[1] == ' ' || rawName[1] == '.' && rawName[2] == ' ');
    }

    /** Whether the bytes can be a folder entry at all; random bytes and file content rarely can. */
    boolean isPlausible(BootSector boot) {
        if ((attributes & 0xc0) != 0) {
            return false;
        }
        for (int i = deleted ? 1 : 0; i < 11; i++) {
            int c = rawName[i] & 0xff;
            boolean kanji = i == 0 && c == 0x05;
            if (c < 0x20 && !kanji || "\"*+,/:;<=>?[\\]|".indexOf(c) >= 0) {
                return false;
            }
        }
        return firstCluster == 0 || boot.isCluster(firstCluster);
    }

    /** What its attribute bits say of a file. */
    List<String> attributeWords() {
        return DosAttributes.words(attributes);
    }

    /** The 8.3 name; a deleted entry's lost first character is shown as {@code _}. */
    String shortName() {
        byte[] bytes = rawName.clone();
        if (deleted) {
            bytes[0] = '_';
        } else if (bytes[0] == 0x05) {
            bytes[0] = (byte) DELETED;
        }
        String base = new String(bytes, 0, 8, OEM).stripTrailing();
        String extension = new String(bytes, 8, 3, OEM).stripTrailing();
        base = (caseFlags & 0x08) != 0 ? base.toLowerCase(Locale.ROOT) : base;
        extension = (caseFlags & 0x10) != 0 ? extension.toLowerCase(Locale.ROOT) : extension;
        return extension.isEmpty() ? base : base + "." + extension;
    }

    /** @param both the time in the lower half, the date in the upper */
    private static @Nullable Instant time(long both, int tenths) {
        int date = (int) (both >> 16);
        int time = (int) both & 0xffff;
        if (date == 0) {
            return null;
        }
        try {
            return LocalDateTime.of(
                            1980 + (date >> 9),
                            date >> 5 & 15,
                            date & 31,
                            time >> 11,
                            time >> 5 & 63,
                            Math.min(59, (time & 31) * 2))
                    .toInstant(ZoneOffset.UTC)
                    .plusMillis(Math.min(tenths, 199) * 10L);
        } catch (DateTimeException e) {
            return null;
        }
    }
}
