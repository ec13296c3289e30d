package org.brantel.core.filesystem.ext;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;
import static org.brantel.core.bytes.LittleEndian.u8;

import java.util.Arrays;
import java.util.List;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.jspecify.annotations.Nullable;

/**
 * Content within the inode (EXT4 "Inline Data"): 60 bytes where the block map would be, the rest as the extended
 * attribute {@code system.data} behind the inode's fields.
 *
 * <pre>
 * attributes (EXT4 "Extended Attributes"), from 128 + the bytes in use there:
 *      0  4  EA020000, then entries of 16 bytes and a name:
 *              0  1  characters of the name    4  4  block of the value; 0: here
 *              1  1  prefix: 7 system          8  4  bytes of the value
 *              2  2  where the value begins, from the first entry
 * </pre>
 */
final class InlineContent {

    private static final long MAGIC = 0xea020000L;
    private static final int SYSTEM = 7;

    private InlineContent() {}

    /** Where the content stands on the medium; shorter than the size where a part is missing. */
    static List<Extent> extents(Inode inode) {
        Extents extents = new Extents();
        extents.add(inode.at() + Inode.MAP_AT, Math.min(inode.size(), Inode.MAP_BYTES));
        int[] rest = place(inode);
        if (rest != null) {
            extents.add(inode.at() + rest[0], Math.min(rest[1], inode.size() - extents.length()));
        }
        return extents.list();
    }

    /** The bytes after the first 60; none where there are none. */
    static byte[] rest(Inode inode) {
        int[] rest = place(inode);
        return rest == null ? new byte[0] : Arrays.copyOfRange(inode.body(), rest[0], rest[0] + rest[1]);
    }

    private static int @Nullable [] place(Inode inode) {
        byte[] b = inode.body();
        if (b.length < 132) {
            return null;
        }
        int head = 128 + u16(b, 128);
        if (head + 4 > b.length || u32(b, head) != MAGIC) {
            return null;
        }
        int first = head + 4;
        for (int at = first; at + 16 <= b.length && u32(b, at) != 0; at += 16 + (u8(b, at) + 3 & ~3)) {
            boolean data = u8(b, at + 1) == SYSTEM
                    && u8(b, at) == 4
                    && at + 20 <= b.length
                    && b[at + 16] == 'd'
                    && b[at + 17] == 'a'
                    && b[at + 18] == 't'
                    && b[at + 19] == 'a';
            long size = u32(b, at + 8);
            int value = first + u16(b, at + 2);
            if (data && u32(b, at + 4) == 0 && value + size <= b.length) {
                return new int[] {value, (int) size};
            }
        }
        return null;
    }
}
