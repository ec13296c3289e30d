package org.brantel.core.filesystem.ext;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.brantel.core.filesystem.Problems;
import org.jspecify.annotations.Nullable;

/** The inodes of a volume: one by one, or all that were ever used. */
final class InodeTable {

    /** Takes an inode; false to stop. */
    interface Visitor {
        boolean visit(Inode inode) throws IOException;
    }

    private final Superblock sb;
    private final Blocks blocks;
    private final Groups groups;
    private final Problems problems;
    private final TreeMap<Long, Long> groupByTable = new TreeMap<>();
    /** Inodes that came into use after their group counted them. */
    private final TreeSet<Long> usedSince = new TreeSet<>();

    private boolean placed;

    InodeTable(Superblock sb, Blocks blocks, Groups groups, Problems problems) {
        this.sb = sb;
        this.blocks = blocks;
        this.groups = groups;
        this.problems = problems;
    }

    /** @return null when it does not exist or was not read */
    @Nullable
    Inode inode(long number) throws IOException {
        long block = blockOf(number);
        byte[] b = block == 0 ? null : blocks.read(block);
        return b == null ? null : inode(number, b, block);
    }

    /** The block of the tables that an inode stands in; 0 when it does not exist or its group was not read. */
    long blockOf(long number) throws IOException {
        Groups.Group group =
                number < 1 || number > sb.inodes() ? null : groups.group((number - 1) / sb.inodesPerGroup());
        return group == null ? 0 : group.inodeTable() + inTable(number) / sb.blockBytes();
    }

    /**
     * An inode out of its block, or out of a copy of that.
     *
     * @param placed the block that the bytes stand in
     */
    Inode inode(long number, byte[] b, long placed) {
        int at = inBlock(number);
        return Inode.parse(number, b, at, sb.inodeBytes(), sb.offset(placed) + at);
    }

    /** Whether it is what the table has now, and stands so in the journal alone. */
    boolean isNewer(Inode inode) throws IOException {
        long block = blockOf(inode.number());
        int at = inBlock(inode.number());
        return block != 0 && inode.at() == sb.offset(block) + at && blocks.isNewer(block, at, sb.inodeBytes());
    }

    /**
     * Brings in what the journal's fast commits have of inodes.
     *
     * @return those whose inode is another file's by that
     */
    List<Inode> bring(FastCommits commits) throws IOException {
        List<Inode> replaced = new ArrayList<>();
        for (long number : commits.inodes()) {
            long block = blockOf(number);
            byte[] b = block == 0 ? null : blocks.read(block);
            if (b == null) {
                continue;
            }
            Inode before = inode(number, b, block);
            commits.bring(number, b, inBlock(number), sb.inodeBytes());
            blocks.overlay(block, b);
            usedSince.add(number);
            if (before.isLive()
                    && before.generation() != inode(number, b, block).generation()) {
                replaced.add(before);
            }
        }
        return replaced;
    }

    private int inBlock(long number) {
        return (int) (inTable(number) % sb.blockBytes());
    }

    private long inTable(long number) {
        return (number - 1) % sb.inodesPerGroup() * sb.inodeBytes();
    }

    void forEach(boolean tell, Visitor visitor) throws IOException {
        long unread = 0;
        if (blocks.isFilling()) {
            askForTables();
        }
        // Tables do not overlap, so there are no more inodes than the medium has room for.
        long room = sb.room().onMedium() * (sb.blockBytes() / sb.inodeBytes());
        for (long g = 0; g < groups.count(); g++) {
            Groups.Group group = groups.group(g);
            if (group == null) {
                unread += sb.inodesPerGroup();
                continue;
            }
            long first = g * sb.inodesPerGroup() + 1;
            Long since = usedSince.lower(first + sb.inodesPerGroup());
            long used = Math.max(
                    sb.inodesPerGroup() - group.unusedInodes(), since == null || since < first ? 0 : since - first + 1);
            long last = Math.min(used, sb.inodes() - first + 1);
            int perBlock = sb.blockBytes() / sb.inodeBytes();
            for (long i = 0; i < last; i += perBlock) {
                long block = group.inodeTable() + i / perBlock;
                room -= perBlock;
                if (room < 0) {
                    problems.add("The inode tables of the volume at byte " + sb.start()
                            + " overlap; what comes after group " + g + " was passed over.");
                    return;
                }
                byte[] b = blocks.read(block);
                if (b == null) {
                    unread += Math.min(perBlock, last - i);
                    continue;
                }
                for (int j = 0; j < perBlock && i + j < last; j++) {
                    int at = j * sb.inodeBytes();
                    // Most of a table was never used: nothing to parse where there is no mode.
                    if ((b[at] | b[at + 1]) != 0
                            && !visitor.visit(
                                    Inode.parse(first + i + j, b, at, sb.inodeBytes(), sb.offset(block) + at))) {
                        return;
                    }
                }
            }
        }
        if (tell && unread > 0) {
            problems.add(unread + " of " + sb.inodes()
                    + " inodes were never read or lie beyond the medium's end; their files are missing.");
        }
    }

    private void askForTables() throws IOException {
        for (long g = 0; g < groups.count(); g++) {
            Groups.Group group = groups.group(g);
            if (group != null) {
                long used = Math.max(0, sb.inodesPerGroup() - group.unusedInodes());
                blocks.willNeed(group.inodeTable(), (used * sb.inodeBytes() + sb.blockBytes() - 1) / sb.blockBytes());
            }
        }
    }

    /** The first inode of a block, if it is one of the tables; 0 if not. */
    long firstInodeOf(long block) throws IOException {
        if (!placed) {
            placed = true;
            for (long g = 0; g < groups.count(); g++) {
                Groups.Group group = groups.group(g);
                if (group != null) {
                    groupByTable.put(group.inodeTable(), g);
                }
            }
        }
        Map.Entry<Long, Long> table = groupByTable.floorEntry(block);
        if (table == null) {
            return 0;
        }
        long perBlock = sb.blockBytes() / sb.inodeBytes();
        long blocks = block - table.getKey();
        // The journal may name any block, however far.
        boolean within = blocks < (sb.inodesPerGroup() + perBlock - 1) / perBlock;
        return within ? table.getValue() * sb.inodesPerGroup() + blocks * perBlock + 1 : 0;
    }
}
