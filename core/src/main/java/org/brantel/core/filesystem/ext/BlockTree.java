package org.brantel.core.filesystem.ext;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.Slot;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.filesystem.Fault;
import org.jspecify.annotations.Nullable;

/**
 * Where the blocks of a file are: by extents (EXT4 "Extent Tree") or by a map of blocks (EXT4 "Direct/Indirect Block
 * Addressing").
 *
 * <pre>
 * extent tree node: offset size field            leaf, 12 bytes                 index, 12 bytes
 *      0    2  F30A                                   0  4  first block in file      0  4  first block in file
 *      2    2  entries                                4  2  blocks; above 32768      4  4  block of the node, lower
 *      part 6    2  depth; 0: leaves                             not written: zeros       8  2  upper part
 *     12       entries, 12 bytes each                 6  2  block, upper part
 *                                                     8  4  block, lower part
 * block map: 12 blocks, then a block of blocks, one of those, and one of those; 4 bytes each, 0 for a hole
 * </pre>
 */
final class BlockTree {

    /** @param fault what is wrong with the tree or not sure about it; null when it is whole */
    record Mapped(List<Extent> extents, @Nullable Fault fault) {}

    static final Slot ENTRIES = new Slot(2, 2);
    static final Slot DEPTH = new Slot(6, 2);
    static final int ENTRY = 12;
    static final Slot FIRST_IN_FILE = new Slot(0, 4);
    static final Slot BLOCKS = new Slot(4, 2);
    static final Slot BLOCK_UPPER = new Slot(6, 2);
    static final Slot BLOCK_LOWER = new Slot(8, 4);
    private static final Slot NODE_LOWER = new Slot(4, 4);
    private static final Slot NODE_UPPER = new Slot(8, 2);

    private static final int MAGIC = 0xf30a;
    private static final int MAX_DEPTH = 5;
    static final int MOST_WRITTEN = 32768;
    static final int DIRECT = 12;

    /** Reads a block that lists others; null when it was not read. */
    interface Reader {
        /** @return null where it was not read, or lies beyond the medium */
        byte @Nullable [] read(long block) throws IOException;
    }

    private final Reader blocks;
    private final Superblock sb;
    private final Inode inode;
    private final Extents extents = new Extents();
    private final long need;
    private long budget;
    private @Nullable Fault fault;
    private @Nullable Fault doubt;

    private BlockTree(Inode inode, Superblock sb, Reader blocks) {
        this.inode = inode;
        this.blocks = blocks;
        this.sb = sb;
        this.need = inode.size();
        // A file cannot have more nodes and blocks than the volume has, and a volume that was cut off lost its end.
        this.budget = Math.min(sb.blocks(), 4 * sb.room().onMedium()) + 16;
    }

    /** Tells where the bytes of an inode are. */
    interface Layout {
        Mapped of(Inode inode) throws IOException;
    }

    /** Writes the root of a tree without entries. */
    static void empty(byte[] b, int at) {
        b[at] = (byte) MAGIC;
        b[at + 1] = (byte) (MAGIC >> 8);
    }

    static Mapped of(Inode inode, Superblock sb, Reader blocks) throws IOException {
        BlockTree tree = new BlockTree(inode, sb, blocks);
        if (inode.usesExtents()) {
            tree.node(inode.body(), Inode.MAP_AT, Inode.MAP_BYTES, MAX_DEPTH);
        } else {
            tree.map(inode.body());
        }
        if (tree.fault == null && tree.extents.length() < inode.size()) {
            // What no block stands for at the end reads as zeros.
            tree.extents.add(Extent.HOLE, inode.size() - tree.extents.length());
        }
        return new Mapped(Extents.cut(tree.extents.list(), inode.size()), tree.fault == null ? tree.doubt : tree.fault);
    }

    private boolean spend() {
        if (budget-- > 0) {
            return true;
        }
        fault = fault == null ? new Fault.Circle() : fault;
        return false;
    }

    private void node(byte[] b, int at, int length, int depthLeft) throws IOException {
        int entries = ENTRIES.intIn(b, at);
        int depth = DEPTH.intIn(b, at);
        if (u16(b, at) != MAGIC || depth > depthLeft || ENTRY + entries * ENTRY > length) {
            fault("a node of its extents is malformed");
            return;
        }
        for (int i = 0; i < entries && fault == null && spend(); i++) {
            int entry = at + ENTRY + i * ENTRY;
            long first = FIRST_IN_FILE.in(b, entry);
            if (depth == 0) {
                leaf(first, BLOCKS.intIn(b, entry), BLOCK_LOWER.in(b, entry) | BLOCK_UPPER.in(b, entry) << 32);
                continue;
            }
            long child = NODE_LOWER.in(b, entry) | NODE_UPPER.in(b, entry) << 32;
            byte[] node = sb.isBlock(child) ? blocks.read(child) : null;
            if (node == null) {
                fault("block " + child + ", which lists its extents, was not read");
                return;
            }
            if (DEPTH.intIn(node, 0) != depth - 1) {
                fault("the nodes of its extents do not fit each other");
                return;
            }
            if (doubt == null && !Checksums.isMapSound(sb, inode.key(), node)) {
                doubt = new Fault.MapChecksum(sb.offset(child));
            }
            node(node, 0, node.length, depth - 1);
        }
    }

    private void leaf(long first, int length, long block) {
        long at = first * sb.blockBytes();
        boolean written = length <= MOST_WRITTEN;
        long count = written ? length : length - MOST_WRITTEN;
        if (at < extents.length() || count == 0 || block >= sb.blocks() || count > sb.blocks() - block || block == 0) {
            fault("an extent of it is malformed");
            return;
        }
        extents.add(Extent.HOLE, at - extents.length());
        extents.add(written ? sb.offset(block) : Extent.HOLE, count * sb.blockBytes());
    }

    private void map(byte[] body) throws IOException {
        for (int i = 0; i < DIRECT && extents.length() < need && fault == null; i++) {
            block(u32(body, Inode.MAP_AT + i * 4), 0);
        }
        for (int level = 1; level <= 3 && extents.length() < need && fault == null; level++) {
            block(u32(body, Inode.MAP_AT + (DIRECT + level - 1) * 4), level);
        }
    }

    /** @param level 0 for a block of content, else how many blocks of blocks lie above it */
    private void block(long block, int level) throws IOException {
        long perBlock = sb.blockBytes() / 4;
        long covers = sb.blockBytes();
        for (int i = 0; i < level; i++) {
            covers *= perBlock;
        }
        if (block == 0) {
            extents.add(Extent.HOLE, Math.min(covers, Math.max(0, need - extents.length())));
            return;
        }
        if (!sb.isBlock(block) || !spend()) {
            fault("it names block " + block + ", which does not exist");
            return;
        }
        if (level == 0) {
            extents.add(sb.offset(block), sb.blockBytes());
            return;
        }
        byte[] below = blocks.read(block);
        if (below == null) {
            fault("block " + block + ", which lists its blocks, was not read");
            return;
        }
        for (int i = 0; i < perBlock && extents.length() < need && fault == null; i++) {
            block(u32(below, i * 4), level - 1);
        }
    }

    private void fault(String why) {
        if (fault == null) {
            fault = new Fault.Unplaced(extents.length(), need, why);
        }
    }
}
