package org.brantel.core.inside;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.LocalDateTime;
import org.brantel.core.bytes.ByteView;

/**
 * The names in a ZIP, by its directory (APPNOTE 6.3.10, 4.3.12, 4.3.14 to 4.3.16; little endian).
 *
 * <pre>
 * end of directory: 0 signature 50 4b 05 06, 10 entries (2), 12 bytes of the directory (4), 16 its offset (4)
 * large end:        0 signature 50 4b 06 06, 32 entries (8), 40 bytes of the directory (8), 48 its offset (8)
 * its locator:      20 bytes before the end: 0 signature 50 4b 06 07, 8 offset of the large end (8)
 * entry:            0 signature 50 4b 01 02, 8 flags (2), 12 time and 14 day of MS-DOS (2 each), 24 size (4),
 *                   28 bytes of the name, 30 of the extra field, 32 of the comment (2 each), 46 the name
 * </pre>
 */
final class ZipNames {

    private static final long END = 0x06054b50L;
    private static final long ENTRY = 0x02014b50L;
    private static final int END_BYTES = 22;
    private static final long LARGE_END = 0x06064b50L;
    private static final int LARGE_END_BYTES = 56;
    private static final long LOCATOR = 0x07064b50L;
    private static final int LOCATOR_BYTES = 20;
    /** What stands in two and in four bytes where the large end has it. */
    private static final int IN_LARGE_2 = 0xffff;

    private static final long IN_LARGE_4 = 0xffffffffL;
    private static final int ENTRY_BYTES = 46;
    private static final int MOST_COMMENT = 0xffff;
    private static final int UTF8 = 1 << 11;

    /**
     * Where the directory is.
     *
     * @param entries that it has, as its end says
     */
    private record Directory(long at, long entries) {}

    private ZipNames() {}

    static Inside.Table of(ByteView zip) throws IOException {
        long end = end(zip);
        Directory directory = directory(zip, end);
        long at = directory.at();
        if (at < 0 || at >= end) {
            throw new IOException("the directory of the archive stands beyond its end");
        }
        FileList files = new FileList();
        while (at + ENTRY_BYTES <= end && !files.isFull() && zip.u32le(at) == ENTRY) {
            int name = zip.u16le(at + 28);
            if (files.shows()) {
                Charset letters = (zip.u16le(at + 8) & UTF8) != 0 ? StandardCharsets.UTF_8 : Charset.forName("IBM437");
                files.add(
                        Letters.shown(new String(zip.bytes(at + ENTRY_BYTES, name), letters)),
                        size(zip.u32le(at + 24)),
                        time(zip.u16le(at + 14), zip.u16le(at + 12)));
            } else {
                files.count();
            }
            at += ENTRY_BYTES + name + zip.u16le(at + 30) + zip.u16le(at + 32);
        }
        return files.table(files.entries() == directory.entries());
    }

    private static Directory directory(ByteView zip, long end) throws IOException {
        Directory small = new Directory(zip.u32le(end + 16), zip.u16le(end + 10));
        long locator = end - LOCATOR_BYTES;
        if (small.at() != IN_LARGE_4 && small.entries() != IN_LARGE_2 || locator < 0 || zip.u32le(locator) != LOCATOR) {
            return small;
        }
        long large = zip.i64le(locator + 8);
        if (large < 0 || large > locator - LARGE_END_BYTES || zip.u32le(large) != LARGE_END) {
            throw new IOException("the archive does not have the end that it points at");
        }
        return new Directory(zip.i64le(large + 48), zip.i64le(large + 32));
    }

    private static String size(long bytes) {
        return bytes == IN_LARGE_4 ? "4 GiB or more" : Letters.count(bytes);
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
