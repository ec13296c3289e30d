package org.brantel.core.inside;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.ByteView;

/**
 * The names in a ZIP, by its directory (APPNOTE 6.3.10, 4.3.12 and 4.3.16; little endian).
 *
 * <pre>
 * end of directory: 0 signature 50 4b 05 06, 10 entries (2), 12 bytes of the directory (4), 16 its offset (4)
 * entry:            0 signature 50 4b 01 02, 8 flags (2), 12 time and 14 day of MS-DOS (2 each), 24 size (4),
 *                   28 bytes of the name, 30 of the extra field, 32 of the comment (2 each), 46 the name
 * </pre>
 */
final class ZipNames {

    private static final long END = 0x06054b50L;
    private static final long ENTRY = 0x02014b50L;
    private static final int END_BYTES = 22;
    private static final int ENTRY_BYTES = 46;
    private static final int MOST_COMMENT = 0xffff;
    private static final int UTF8 = 1 << 11;
    private static final int MOST_ENTRIES = 1_000_000;

    private ZipNames() {}

    static Inside.Table of(ByteView zip) throws IOException {
        long end = end(zip);
        long at = zip.u32le(end + 16);
        if (at >= end) {
            throw new IOException("the directory of the archive stands beyond its end");
        }
        List<List<String>> cells = new ArrayList<>();
        long entries = 0;
        while (at + ENTRY_BYTES <= end && entries < MOST_ENTRIES && zip.u32le(at) == ENTRY) {
            int name = zip.u16le(at + 28);
            if (cells.size() < Inside.SHOWN) {
                Charset letters = (zip.u16le(at + 8) & UTF8) != 0 ? StandardCharsets.UTF_8 : Charset.forName("IBM437");
                cells.add(List.of(
                        Letters.shown(new String(zip.bytes(at + ENTRY_BYTES, name), letters)),
                        Letters.count(zip.u32le(at + 24)),
                        time(zip.u16le(at + 14), zip.u16le(at + 12))));
            }
            entries++;
            at += ENTRY_BYTES + name + zip.u16le(at + 30) + zip.u16le(at + 32);
        }
        return new Inside.Table("Files", entries, Inside.FILES, cells);
    }

    private static long end(ByteView zip) throws IOException {
        long from = Math.max(0, zip.length() - END_BYTES - MOST_COMMENT);
        for (long at = zip.length() - END_BYTES; at >= from; at--) {
            if (zip.u32le(at) == END) {
                return at;
            }
        }
        throw new IOException("the archive has no directory at its end");
    }

    /** Empty for a time that no calendar has. */
    private static String time(int day, int time) {
        try {
            return LocalDateTime.of(
                            1980 + (day >> 9),
                            day >> 5 & 15,
                            day & 31,
                            time >> 11,
                            time >> 5 & 63,
                            Math.min(59, 2 * (time & 31)))
                    .toString()
                    .replace('T', ' ');
        } catch (DateTimeException e) {
            return "";
        }
    }
}
