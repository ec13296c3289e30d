package org.brantel.core.filesystem.ext;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.filesystem.ClusterSet;
import org.brantel.core.filesystem.Problems;
import org.brantel.core.filesystem.Walk;
import org.jspecify.annotations.Nullable;

/** Reads the folders of a volume: what they list, what their slack shows, and what they were before. */
final class Folders {

    private static final int FOLDER = 2;
    private static final long MAX_FOLDER_BYTES = 1L << 30;

    private final Superblock sb;
    private final Blocks blocks;
    private final InodeTable table;
    private final Names names;
    private final BlockTree.Layout layout;
    private final FastCommits commits;
    private final Problems problems;
    private final Map<Long, Inode.Key> folderOfBlock = new HashMap<>();

    /**
     * @param layout  of what is in use now
     * @param commits what names were made and taken away since the folders were written
     */
    Folders(
            Superblock sb,
            Blocks blocks,
            InodeTable table,
            Names names,
            BlockTree.Layout layout,
            FastCommits commits,
            Problems problems) {
        this.sb = sb;
        this.blocks = blocks;
        this.table = table;
        this.names = names;
        this.layout = layout;
        this.commits = commits;
        this.problems = problems;
    }

    /** From the root down, then those that are in use and listed nowhere: their files are live all the same. */
    void list(ClusterSet inUse, Walk walk) throws IOException {
        Deque<Long> waiting = new ArrayDeque<>(List.of(Names.ROOT));
        Set<Long> seen = new HashSet<>(waiting);
        while (!waiting.isEmpty() && !walk.stopped()) {
            long number = waiting.poll();
            Inode folder = inUse.holds(number) ? table.inode(number) : null;
            if (folder == null) {
                problems.add("Folder " + listedAt(number) + " (inode " + number
                        + ") was not read; what it lists is missing.");
                continue;
            }
            read(folder, (inode, type, name, live) -> {
                if (!live) {
                    names.remember(inode, new Names.Name(folder.key(), name, type == FOLDER, Names.NOW, false));
                } else {
                    names.list(inode, folder.key(), name, type == FOLDER);
                    if ((type == FOLDER || inUse.holds(inode)) && seen.add(inode)) {
                        waiting.add(inode);
                    }
                }
            });
        }
        for (long number = inUse.nextHeld(0);
                number <= sb.inodes() && !walk.stopped();
                number = inUse.nextHeld(number + 1)) {
            Inode folder = seen.contains(number) ? null : table.inode(number);
            if (folder != null) {
                read(folder, (inode, type, name, live) -> {
                    if (live && names.listed(inode).isEmpty()) {
                        names.list(inode, folder.key(), name, type == FOLDER);
                    }
                });
            }
        }
    }

    /** Where a folder is listed whose inode was not read. */
    private String listedAt(long number) throws IOException {
        List<Names.Name> all = names.listed(number);
        return all.isEmpty()
                ? "/"
                : names.path(all.get(0).folder()) + all.get(0).text() + "/";
    }

    /** What it lists, with what fast commits made of it. */
    private void read(Inode folder, FolderBlock.Listener listener) throws IOException {
        Map<String, Long> changed = commits.names(folder.number());
        Set<String> listed = new HashSet<>();
        readWritten(folder, (inode, type, name, live) -> {
            Long now = changed.get(name);
            boolean still = live && (now == null || now == inode);
            if (live && changed.containsKey(name) && still) {
                listed.add(name);
            }
            listener.entry(inode, type, name, still);
        });
        for (Map.Entry<String, Long> e : changed.entrySet()) {
            if (e.getValue() != FastCommits.GONE && !listed.contains(e.getKey())) {
                Inode named = table.inode(e.getValue());
                listener.entry(e.getValue(), named != null && named.isFolder() ? FOLDER : 0, e.getKey(), true);
            }
        }
    }

    private void readWritten(Inode folder, FolderBlock.Listener listener) throws IOException {
        FolderBlock.Listener others = withoutDots(listener);
        if (folder.holdsContent()) {
            readWithin(folder, others);
            return;
        }
        boolean hashed = (folder.flags() & Inode.HASHED) != 0;
        for (Extent e : Extents.cut(layout.of(folder).extents(), MAX_FOLDER_BYTES)) {
            for (long at = 0; !e.isHole() && at < e.length(); at += sb.blockBytes()) {
                long block = (e.offset() + at - sb.start()) / sb.blockBytes();
                Inode.Key other = folderOfBlock.putIfAbsent(block, folder.key());
                if (other != null) {
                    problems.add("Folder " + names.path(folder.key()) + " and folder " + names.path(other)
                            + " claim the same block " + block + "; it is read once.");
                    continue;
                }
                String which = "A block of folder " + names.path(folder.key()) + " at byte " + (e.offset() + at);
                byte[] b = blocks.read(block);
                if (b == null) {
                    problems.add(which + " was not read; entries there are missing.");
                    continue;
                }
                if (!Checksums.isFolderSound(sb, folder.key(), b)) {
                    problems.add(which + " fails its checksum; what it lists may be wrong.");
                }
                if (!FolderBlock.read(b, sb.inodes(), hashed, others)) {
                    problems.add(which + " is malformed; entries there are missing.");
                }
            }
        }
    }

    /** A folder within its inode: four bytes name the parent, entries follow (EXT4 "Inline Directories"). */
    private void readWithin(Inode folder, FolderBlock.Listener listener) {
        byte[] within = new byte[Inode.MAP_BYTES - 4];
        System.arraycopy(folder.body(), Inode.MAP_AT + 4, within, 0, within.length);
        FolderBlock.read(within, sb.inodes(), false, listener);
        byte[] more = InlineContent.rest(folder);
        if (more.length > 0) {
            FolderBlock.read(more, sb.inodes(), false, listener);
        }
    }

    /** What folders listed before, out of the journal's copies and out of folders that are gone themselves. */
    void remember(Journal journal, OldInodes old, List<OldInodes.Version> gone) throws IOException {
        for (OldInodes.Version v : gone) {
            if (v.inode().isFolder() && !v.inode().holdsContent()) {
                BlockTree.Mapped then = BlockTree.of(v.inode(), sb, old.asOf(v.transaction(), blocks));
                for (Extent e : Extents.cut(then.extents(), MAX_FOLDER_BYTES)) {
                    rememberBlocks(e, v.inode().key());
                }
            }
        }
        old.forEachCopy((folder, transaction) -> {
            if (folder.isLive() && folder.isFolder() && folder.holdsContent()) {
                readWithin(folder, remembering(folder.key(), transaction));
            }
        });
        for (Map.Entry<Long, List<Journal.Copy>> e : journal.copies().entrySet()) {
            for (Journal.Copy copy : e.getValue()) {
                byte[] b = journal.read(copy);
                Inode.Key folder = b == null ? null : folderOf(e.getKey(), b, old, copy.transaction());
                if (b != null && folder != null) {
                    FolderBlock.read(b, sb.inodes(), true, remembering(folder, copy.transaction()));
                }
            }
        }
    }

    /** A first block names its folder; others are of the folder that has the block, if it had it then. */
    private Inode.@Nullable Key folderOf(long block, byte[] b, OldInodes old, long transaction) throws IOException {
        long named = FolderBlock.ownerOf(b);
        if (named != 0) {
            return old.at(named, transaction);
        }
        Inode.Key has = folderOfBlock.get(block);
        return has != null && Checksums.isFolderSound(sb, has, b) ? has : null;
    }

    private FolderBlock.Listener remembering(Inode.Key folder, long transaction) {
        return withoutDots((inode, type, name, live) ->
                names.remember(inode, new Names.Name(folder, name, type == FOLDER, transaction, live)));
    }

    private void rememberBlocks(Extent e, Inode.Key folder) throws IOException {
        for (long at = 0; !e.isHole() && at < e.length(); at += sb.blockBytes()) {
            long block = (e.offset() + at - sb.start()) / sb.blockBytes();
            boolean free = folderOfBlock.putIfAbsent(block, folder) == null;
            byte[] b = free ? blocks.read(block) : null;
            if (b != null && (FolderBlock.ownerOf(b) == folder.number() || FolderBlock.ownerOf(b) == 0)) {
                FolderBlock.read(
                        b,
                        sb.inodes(),
                        false,
                        withoutDots((inode, type, name, live) ->
                                names.remember(inode, new Names.Name(folder, name, type == FOLDER, Names.NOW, false))));
            }
        }
    }

    private static FolderBlock.Listener withoutDots(FolderBlock.Listener listener) {
        return (inode, type, name, live) -> {
            if (!name.equals(".") && !name.equals("..")) {
                listener.entry(inode, type, name, live);
            }
        };
    }
}
