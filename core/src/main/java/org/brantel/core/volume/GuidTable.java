package org.brantel.core.volume;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.zip.CRC32;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/**
 * A GUID partition table, little-endian (UEFI Specification 2.10, sections 5.3.2 and 5.3.3): header in sector 1, a copy
 * of it in the last sector.
 *
 * <pre>
 * header                                      entry, as many bytes as the header says, 128 or more
 * offset size field                           offset size field
 *      0    8  "EFI PART"                          0   16  type; zeros: unused
 *     12    4  bytes of the header                16   16  the partition's own GUID
 *     16    4  CRC-32 of it, taken as zeros       32    8  first sector
 *     24    8  its own sector                     40    8  last sector, included
 *     72    8  first sector of the entries        56   72  name, UTF-16LE
 *     80    4  number of entries
 *     84    4  bytes of an entry
 *     88    4  CRC-32 of all entries
 * </pre>
 */
final class GuidTable {

    static final String NAME = "the GUID table";
    static final String BACKUP_NAME = "the backup GUID table";

    private static final byte[] SIGNATURE = "EFI PART".getBytes(StandardCharsets.US_ASCII);
    private static final int MOST_ENTRIES = 1024;

    /** @param sound both checksums hold */
    record Read(List<Partition> partitions, boolean sound) {}

    private GuidTable() {}

    /**
     * @param headerAt where the header would be, in bytes
     * @param name     of the table, for its partitions and for problems
     * @return empty when no header stands there
     */
    static Optional<Read> read(Source source, int sectorBytes, long headerAt, String name, List<String> problems)
            throws IOException {
        if (headerAt < 0 || headerAt > source.size() - sectorBytes) {
            return Optional.empty();
        }
        ByteView v = ByteView.of(source, new Range(headerAt, sectorBytes));
        try {
            if (!v.startsWith(0, SIGNATURE)) {
                return Optional.empty();
            }
            boolean sound = headerHolds(v, headerAt, name, problems);
            long entriesAt = v.u32le(72) | v.u32le(76) << 32;
            long number = v.u32le(80);
            long size = v.u32le(84);
            boolean fits = size >= 128
                    && size <= 4096
                    && number > 0
                    && entriesAt > 0
                    && entriesAt < source.size() / sectorBytes
                    && number <= MOST_ENTRIES
                    && entriesAt * sectorBytes + number * size <= source.size();
            if (!fits) {
                problems.add(capital(name) + " at byte " + headerAt + " claims " + number + " entries of " + size
                        + " bytes from sector " + entriesAt + "; that is not possible here.");
                return Optional.empty();
            }
            return Optional.of(entries(
                    source,
                    sectorBytes,
                    new Range(entriesAt * sectorBytes, number * size),
                    (int) size,
                    v.u32le(88),
                    sound,
                    name,
                    problems));
        } catch (ByteView.Unread e) {
            problems.add(capital(name) + " at byte " + headerAt + " was not read.");
            return Optional.empty();
        }
    }

    private static boolean headerHolds(ByteView v, long headerAt, String name, List<String> problems)
            throws IOException {
        long length = v.u32le(12);
        if (length < 92 || length > v.length()) {
            problems.add("The header of " + name + " at byte " + headerAt + " claims " + length
                    + " bytes; it is read all the same.");
            return false;
        }
        byte[] header = v.bytes(0, (int) length);
        long claimed = v.u32le(16);
        header[16] = header[17] = header[18] = header[19] = 0;
        if (crc(header, header.length) != claimed) {
            problems.add(
                    "The header of " + name + " at byte " + headerAt + " fails its checksum; it is read all the same.");
            return false;
        }
        return true;
    }

    private static Read entries(
            Source source,
            int sectorBytes,
            Range where,
            int size,
            long crc,
            boolean headerSound,
            String name,
            List<String> problems)
            throws IOException {
        byte[] bytes = new byte[(int) where.length()];
        boolean sound = headerSound;
        if (!source.read(where.offset(), bytes, 0, bytes.length).isClean()) {
            problems.add("Entries of " + name + " at byte " + where.offset() + " were not read.");
            sound = false;
        } else if (crc(bytes, bytes.length) != crc) {
            problems.add("The entries of " + name + " at byte " + where.offset()
                    + " fail their checksum; they are read all the same.");
            sound = false;
        }
        List<Partition> partitions = new ArrayList<>();
        for (int i = 0; i * size < bytes.length; i++) {
            int at = i * size;
            String type = guid(bytes, at);
            if (type == null) {
                continue;
            }
            long first = u64(bytes, at + 32);
            long last = u64(bytes, at + 40);
            long sectors = source.size() / sectorBytes;
            if (first <= 0 || last < first || first >= sectors) {
                problems.add("Partition " + (i + 1) + " of " + name + " claims sectors " + first + " to " + last
                        + "; the medium has " + sectors + ".");
                continue;
            }
            if (last >= sectors) {
                problems.add("Partition " + (i + 1) + " of " + name + " ends at sector " + last
                        + ", beyond the medium's " + sectors + ".");
                last = sectors - 1;
            }
            partitions.add(new Partition(
                    name,
                    i + 1,
                    type,
                    name(bytes, at + 56),
                    new Range(first * sectorBytes, (last - first + 1) * sectorBytes)));
        }
        return new Read(partitions, sound);
    }

    private static String name(byte[] bytes, int at) {
        String name = new String(bytes, at, 72, StandardCharsets.UTF_16LE);
        int end = name.indexOf('\0');
        return end < 0 ? name : name.substring(0, end);
    }

    /** As GUIDs are written: the first three fields are little-endian; null for zeros. */
    private static @Nullable String guid(byte[] b, int at) {
        int[] order = {3, 2, 1, 0, 5, 4, 7, 6, 8, 9, 10, 11, 12, 13, 14, 15};
        StringBuilder text = new StringBuilder();
        boolean any = false;
        for (int i = 0; i < order.length; i++) {
            int value = b[at + order[i]] & 0xff;
            any |= value != 0;
            text.append(i == 4 || i == 6 || i == 8 || i == 10 ? "-" : "").append(String.format("%02x", value));
        }
        return any ? text.toString() : null;
    }

    private static long u64(byte[] b, int at) {
        long value = 0;
        for (int i = 7; i >= 0; i--) {
            value = value << 8 | b[at + i] & 0xff;
        }
        return value;
    }

    private static long crc(byte[] bytes, int length) {
        CRC32 crc = new CRC32();
        crc.update(bytes, 0, length);
        return crc.getValue();
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
