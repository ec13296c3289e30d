package org.brantel.core.filesystem.ext;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;

import java.io.IOException;
import org.jspecify.annotations.Nullable;

/**
 * The descriptors of the block groups (EXT4 "Block Group Descriptors").
 *
 * <pre>
 * offset size field                                  upper half (64-bit)
 *      0    4  block of the block bitmap                 32
 *      4    4  block of the inode bitmap                 36
 *      8    4  first block of the inode table            40
 *     18    2  flags: 1 inodes unused, 2 block bitmap unused
 *     28    2  inodes at the table's end never used      50
 * </pre>
 */
final class Groups {

    /** @param unusedInodes at the end of the table */
    record Group(long blockBitmap, long inodeTable, boolean bitmapUnused, long unusedInodes) {}

    private final Superblock sb;
    private final Blocks blocks;

    Groups(Superblock sb, Blocks blocks) {
        this.sb = sb;
        this.blocks = blocks;
    }

    /** Groups of which a descriptor can stand on the medium, whatever number of blocks the superblock claims. */
    long count() {
        long descriptorsOnMedium =
                sb.room().onMedium() * (sb.blockBytes() / sb.descriptors().bytes());
        return Math.min(sb.groups(), descriptorsOnMedium);
    }

    /**
     * Copies of descriptors are as old as the volume: they know where the tables are, not what came to be used since.
     * So the first ones are taken wherever they agree with the copy on that.
     *
     * @return null when its descriptor was not read or leads off the volume
     */
    @Nullable
    Group group(long number) throws IOException {
        if (sb.copyGroup() == 0) {
            return group(number, 0, true);
        }
        Group copy = group(number, sb.copyGroup(), false);
        Group first = group(number, 0, true);
        return copy == null || first != null && first.inodeTable() == copy.inodeTable() ? first : copy;
    }

    /** @param current what it says of use can be believed */
    private @Nullable Group group(long number, int copyGroup, boolean current) throws IOException {
        long perBlock = sb.blockBytes() / sb.descriptors().bytes();
        byte[] b = blocks.read(descriptorBlock(number, perBlock, copyGroup));
        if (b == null) {
            return null;
        }
        int at = (int) (number % perBlock) * sb.descriptors().bytes();
        boolean wide = sb.descriptors().bytes() >= 64;
        long bitmap = u32(b, at) | (wide ? u32(b, at + 32) << 32 : 0);
        long table = u32(b, at + 8) | (wide ? u32(b, at + 40) << 32 : 0);
        boolean marks = current && sb.marksUnused();
        int flags = marks ? u16(b, at + 18) : 0;
        long unused = marks ? u16(b, at + 28) | (wide ? (long) u16(b, at + 50) << 16 : 0) : 0;
        if ((flags & 1) != 0) {
            unused = sb.inodesPerGroup();
        }
        return sb.isBlock(table)
                ? new Group(bitmap, table, (flags & 2) != 0, Math.min(unused, sb.inodesPerGroup()))
                : null;
    }

    /** Beside the copy of the superblock that serves, or, when they are scattered, in their own groups. */
    private long descriptorBlock(long number, long perBlock, int copyGroup) {
        long of = number / perBlock;
        if ((sb.features().incompatible() & Superblock.META_GROUPS) != 0
                && of >= sb.descriptors().firstMeta()) {
            long first = of * perBlock;
            return sb.groupStart(first) + (sb.holdsCopy(first) ? 1 : 0);
        }
        // The first superblock lies 1024 bytes in, which is a block of its own where blocks are so small.
        long beside = copyGroup == 0 ? Superblock.AT / sb.blockBytes() : sb.groupStart(copyGroup);
        return beside + 1 + of;
    }
}
