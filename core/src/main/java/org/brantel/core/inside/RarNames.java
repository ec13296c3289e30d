package org.brantel.core.inside;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;

/**
 * The names in a RAR archive, head by head, by the published technical notes of its versions 4 and 5 (little-endian).
 *
 * <pre>
 * 4: block  0 CRC (2), 2 type (1), 3 flags (2), 5 length of the head (2), 7 length of the data (4; with flag 8000, and
 *           always of files)
 *    types  73 the archive's head, 74 a file, 7b the end
 *    head   with flag 80 all that follows is closed by a password
 *    file   11 size (4), 20 changed as in FAT (4), 26 length of the name (2), 32 with flag 100 the upper halves of both
 *           lengths (4 each), then the name: with flag 200 up to a zero; flags e0 all set of a folder
 * 5: block  CRC (4), then numbers of 7 bits a byte: length of the head, type, flags, with flag 1 the length of an extra
 *           part, with flag 2 of the data
 *    types  2 a file, 4 all that follows is closed by a password, 5 the end
 *    file   flags (1 a folder, 2 a time, 4 a CRC, 8 no size), size, attributes, changed in seconds since 1970 (4), CRC
 *           (4), packing, system, length of the name, the name in UTF-8
 * </pre>
 */
final class RarNames {

    private static final int MOST_BLOCKS = 1 << 20;
    private static final int LONGEST_NAME = 8 << 10;
    private static final int MOST_HEAD = 2 << 20;

    private final ByteView content;
    private final FileList files = new FileList();
    private int blocks;

    private RarNames(ByteView content) {
        this.content = content;
    }

    static Inside.Table of(ByteView content) throws IOException {
        RarNames names = new RarNames(content);
        if (content.u8(6) == 0) {
            names.four();
        } else {
            names.five();
        }
        return names.files.table(names.blocks <= MOST_BLOCKS);
    }

    private boolean goesOn(long at) {
        return at < content.length() && ++blocks <= MOST_BLOCKS;
    }

    private void four() throws IOException {
        long at = 7;
        while (goesOn(at)) {
            int type = content.u8(at + 2);
            int flags = content.u16le(at + 3);
            int head = content.u16le(at + 5);
            if (type == 0x7b) {
                return;
            }
            if (type == 0x73 && (flags & 0x80) != 0) {
                throw new Inside.Locked();
            }
            boolean isFile = type == 0x74;
            boolean isLong = isFile && (flags & 0x100) != 0;
            long data = isFile || (flags & 0x8000) != 0 ? content.u32le(at + 7) : 0;
            data |= isLong ? content.u32le(at + 32) << 32 : 0;
            if (isFile) {
                long size = content.u32le(at + 11) | (isLong ? content.u32le(at + 36) << 32 : 0);
                byte[] name = content.bytes(at + (isLong ? 40 : 32), named(content.u16le(at + 26)));
                add(nameOfFour(name, flags), (flags & 0xe0) == 0xe0, size, fat(content.u32le(at + 20)));
            }
            at = behind(at, head, data);
        }
    }

    /** Where a name stands in two ways, the plain one comes first. */
    private static String nameOfFour(byte[] name, int flags) {
        int end = 0;
        while (end < name.length && name[end] != 0) {
            end++;
        }
        return end < name.length
                ? new String(name, 0, end, StandardCharsets.UTF_8)
                : new String(name, (flags & 0x200) != 0 ? StandardCharsets.UTF_8 : StandardCharsets.ISO_8859_1);
    }

    private void five() throws IOException {
        long[] at = {8};
        while (goesOn(at[0])) {
            at[0] += 4;
            long head = Bytes.sevenBits(content, at);
            long body = at[0];
            if (head < 2 || head > MOST_HEAD) {
                throw new IOException("a head of the archive has an impossible length");
            }
            long type = Bytes.sevenBits(content, at);
            long flags = Bytes.sevenBits(content, at);
            if ((flags & 1) != 0) {
                Bytes.sevenBits(content, at);
            }
            long data = (flags & 2) != 0 ? Bytes.sevenBits(content, at) : 0;
            if (type == 5) {
                return;
            }
            if (type == 4) {
                throw new Inside.Locked();
            }
            if (type == 2) {
                fileOfFive(at);
            }
            at[0] = behind(body, head, data);
        }
    }

    private void fileOfFive(long[] at) throws IOException {
        long flags = Bytes.sevenBits(content, at);
        long size = Bytes.sevenBits(content, at);
        Bytes.sevenBits(content, at);
        String changed = "not kept";
        if ((flags & 2) != 0) {
            changed = Letters.time(Instant.ofEpochSecond(content.u32le(at[0])));
            at[0] += 4;
        }
        at[0] += (flags & 4) != 0 ? 4 : 0;
        Bytes.sevenBits(content, at);
        Bytes.sevenBits(content, at);
        int length = named(Bytes.sevenBits(content, at));
        String name = new String(content.bytes(at[0], length), StandardCharsets.UTF_8);
        add(name, (flags & 1) != 0, (flags & 8) != 0 ? -1 : size, changed);
    }

    private static int named(long length) throws IOException {
        if (length > LONGEST_NAME) {
            throw new IOException("a name in the archive has an impossible length");
        }
        return (int) length;
    }

    /** @throws IOException where the next block would lie before this one, or outside */
    private long behind(long at, long head, long data) throws IOException {
        if (head < 2 || data < 0 || data > content.length() - at - head) {
            throw new IOException("a block leaves the archive");
        }
        return at + head + data;
    }

    private void add(String name, boolean isFolder, long size, String changed) {
        files.add(Letters.shown(name), isFolder ? "folder" : size < 0 ? "not kept" : Letters.count(size), changed);
    }

    /** A time as FAT writes it: from the lowest bit on seconds in twos (5), minutes (6), hours (5), day, month, year. */
    private static String fat(long time) {
        try {
            return Letters.time(LocalDateTime.of(
                    1980 + (int) (time >> 25 & 0x7f),
                    (int) (time >> 21 & 0xf),
                    (int) (time >> 16 & 0x1f),
                    (int) (time >> 11 & 0x1f),
                    (int) (time >> 5 & 0x3f),
                    Math.min(59, (int) (time & 0x1f) * 2)));
        } catch (DateTimeException none) {
            return "not kept";
        }
    }
}
