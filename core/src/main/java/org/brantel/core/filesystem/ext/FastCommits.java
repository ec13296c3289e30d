package org.brantel.core.filesystem.ext;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;

/**
 * Fast commits (EXT4 "Fast Commits"), little-endian: what changed since the journal's last transaction, one change
 * after the other, in the last blocks of the journal. What stands before a tail whose sum is right was committed.
 *
 * <pre>
 * offset size field
 *      0    2  1 range added, 2 range removed, 3 created, 4 linked, 5 unlinked, 6 inode, 7 filling, 8 tail, 9 head
 *      2    2  bytes that follow
 * range added:    4  4  inode   8 12  leaf of an extent tree
 * range removed:  4  4  inode   8  4  first block in file  12  4  blocks
 * a name:         4  4  folder  8  4  inode               12     name
 * inode:          4  4  inode   8     its bytes
 * head:           4  4  features                           8  4  transaction
 * tail:           4  4  transaction                        8  4  CRC-32C of all since the last tail, up to here
 * </pre>
 */
final class FastCommits {

    static final FastCommits NONE = new FastCommits(0);

    private static final int HEAD_BYTES = 4;
    private static final int ADDED = 1;
    private static final int REMOVED = 2;
    private static final int CREATED = 3;
    private static final int LINKED = 4;
    private static final int UNLINKED = 5;
    private static final int INODE = 6;
    private static final int TAIL = 8;
    private static final int HEAD = 9;
    private static final int FIRST_BYTES_OF_INODE = 128;
    /** No inode. */
    static final long GONE = 0;

    /** @param block of the volume that the first one is; 0 where they read as zeros */
    private record Piece(long first, long blocks, long block) {}

    /**
     * @param at    where what follows its head stands in its block
     * @param bytes of that
     */
    private record Change(int kind, byte[] block, int at, int bytes) {}

    private final long transaction;
    private final Map<Long, byte[]> inodes = new LinkedHashMap<>();
    private final Map<Long, List<Piece>> pieces = new HashMap<>();
    private final Map<Long, Map<String, Long>> names = new HashMap<>();
    /** How many names an inode won or lost since its bytes were written. */
    private final Map<Long, Integer> moreNames = new LinkedHashMap<>();

    private final List<Change> uncommitted = new ArrayList<>();
    private int sum;

    private FastCommits(long transaction) {
        this.transaction = transaction;
    }

    /**
     * Reads up to the last commit that is sound.
     *
     * @param transaction that the changes must be of
     */
    static FastCommits read(List<byte[]> blocks, long transaction) {
        FastCommits commits = new FastCommits(transaction);
        for (byte[] block : blocks) {
            if (!commits.take(block)) {
                break;
            }
        }
        return commits;
    }

    private boolean take(byte[] b) {
        for (int at = 0; at + HEAD_BYTES <= b.length; ) {
            int kind = u16(b, at);
            int bytes = u16(b, at + 2);
            int end = at + HEAD_BYTES + bytes;
            if (kind == 0 || kind > HEAD || end > b.length || bytes < least(kind)) {
                return false;
            }
            if (kind == TAIL) {
                sum = Checksums.crc(sum, b, at, at + 8);
                if (u32(b, at + 4) != transaction || (sum & 0xffffffffL) != u32(b, at + 8)) {
                    return false;
                }
                uncommitted.forEach(this::make);
                uncommitted.clear();
                sum = 0;
                return true;
            }
            if (kind == HEAD && u32(b, at + 8) != transaction) {
                return false;
            }
            sum = Checksums.crc(sum, b, at, end);
            uncommitted.add(new Change(kind, b, at + HEAD_BYTES, bytes));
            at = end;
        }
        return true;
    }

    private static int least(int kind) {
        return switch (kind) {
            case ADDED -> 16;
            case REMOVED -> 12;
            case CREATED, LINKED, UNLINKED -> 9;
            case INODE -> 4 + FIRST_BYTES_OF_INODE;
            case TAIL, HEAD -> 8;
            default -> 0;
        };
    }

    private void make(Change c) {
        long inode = u32(c.block(), c.at());
        switch (c.kind()) {
            case ADDED -> {
                int leaf = c.at() + 4;
                long length = BlockTree.BLOCKS.in(c.block(), leaf);
                boolean unwritten = length > BlockTree.MOST_WRITTEN;
                long block =
                        BlockTree.BLOCK_LOWER.in(c.block(), leaf) | BlockTree.BLOCK_UPPER.in(c.block(), leaf) << 32;
                put(
                        inode,
                        new Piece(
                                BlockTree.FIRST_IN_FILE.in(c.block(), leaf),
                                unwritten ? length - BlockTree.MOST_WRITTEN : length,
                                unwritten ? 0 : block));
            }
            case REMOVED -> put(inode, new Piece(u32(c.block(), c.at() + 4), u32(c.block(), c.at() + 8), 0));
            case CREATED, LINKED -> {
                name(c, u32(c.block(), c.at() + 4));
                moreNames.merge(u32(c.block(), c.at() + 4), 1, Integer::sum);
            }
            case UNLINKED -> {
                name(c, GONE);
                moreNames.merge(u32(c.block(), c.at() + 4), -1, Integer::sum);
            }
            case INODE -> inode(inode, Arrays.copyOfRange(c.block(), c.at() + 4, c.at() + c.bytes()));
            default -> {}
        }
    }

    private void put(long inode, Piece piece) {
        pieces.computeIfAbsent(inode, i -> new ArrayList<>()).add(piece);
    }

    private void name(Change c, long inode) {
        String name = FolderBlock.name(c.block(), c.at() + 8, c.bytes() - 8);
        names.computeIfAbsent(u32(c.block(), c.at()), f -> new LinkedHashMap<>())
                .put(name, inode);
    }

    /** Pieces that another file had in this inode are not its own. */
    private void inode(long number, byte[] bytes) {
        byte[] before = inodes.put(number, bytes);
        moreNames.remove(number);
        if (before != null && Inode.GENERATION.in(before, 0) != Inode.GENERATION.in(bytes, 0)) {
            pieces.remove(number);
        }
    }

    /** Numbers of the inodes that changed. */
    Set<Long> inodes() {
        Set<Long> all = new TreeSet<>(inodes.keySet());
        all.addAll(moreNames.keySet());
        return all;
    }

    /**
     * Brings an inode up to date, but for its pieces.
     *
     * @param b     the block of the table that it stands in
     * @param bytes of an inode
     */
    void bring(long number, byte[] b, int at, int bytes) {
        byte[] newer = inodes.get(number);
        if (newer != null) {
            bring(newer, b, at, bytes);
        }
        int more = moreNames.getOrDefault(number, 0);
        if (more != 0) {
            // A folder counts those in it as well; whoever takes a name of it away takes all.
            boolean folder = Inode.MODE.in(b, at) >> 12 == Inode.FOLDER;
            long names = more < 0 && folder ? 0 : Math.max(0, Inode.NAMES.in(b, at) + more);
            b[at + Inode.NAMES.at()] = (byte) names;
            b[at + Inode.NAMES.at() + 1] = (byte) (names >> 8);
        }
    }

    private static void bring(byte[] newer, byte[] b, int at, int bytes) {
        boolean another = Inode.MODE.in(b, at) == 0 || Inode.GENERATION.in(b, at) != Inode.GENERATION.in(newer, 0);
        int mapEnd = Inode.MAP_AT + Inode.MAP_BYTES;
        System.arraycopy(newer, 0, b, at, Inode.MAP_AT);
        System.arraycopy(newer, mapEnd, b, at + mapEnd, Math.min(bytes, newer.length) - mapEnd);
        long flags = Inode.FLAGS.in(newer, 0);
        if ((flags & Inode.CONTENT_WITHIN) != 0) {
            System.arraycopy(newer, Inode.MAP_AT, b, at + Inode.MAP_AT, Inode.MAP_BYTES);
        } else if (another) {
            Arrays.fill(b, at + Inode.MAP_AT, at + mapEnd, (byte) 0);
            if ((flags & Inode.EXTENTS) != 0) {
                BlockTree.empty(b, at + Inode.MAP_AT);
            }
        }
    }

    /** Where the bytes of a file are with what was added and removed. */
    BlockTree.Mapped mapped(Inode inode, BlockTree.Mapped before, Superblock sb) throws IOException {
        List<Piece> changed = pieces.getOrDefault(inode.number(), List.of());
        if (changed.isEmpty()) {
            return before;
        }
        List<Extent> now = before.extents();
        for (Piece p : changed) {
            boolean onVolume = p.block() == 0 || sb.isBlock(p.block()) && sb.isBlock(p.block() + p.blocks() - 1);
            if (onVolume) {
                now = replaced(now, p, sb);
            }
        }
        return new BlockTree.Mapped(Extents.cut(now, inode.size()), before.fault());
    }

    private static List<Extent> replaced(List<Extent> extents, Piece p, Superblock sb) {
        long from = p.first() * sb.blockBytes();
        long length = p.blocks() * sb.blockBytes();
        long all = Extents.length(extents);
        Extents now = new Extents();
        Extents.slice(extents, 0, Math.min(from, all)).forEach(e -> now.add(e.offset(), e.length()));
        if (from > all) {
            now.add(Extent.HOLE, from - all);
        }
        now.add(p.block() == 0 ? Extent.HOLE : sb.offset(p.block()), length);
        if (from + length < all) {
            Extents.slice(extents, from + length, all - from - length).forEach(e -> now.add(e.offset(), e.length()));
        }
        return now.list();
    }

    /** Names in a folder that were made or taken away since, with their inodes; {@link #GONE} of those taken away. */
    Map<String, Long> names(long folder) {
        return names.getOrDefault(folder, Map.of());
    }
}
