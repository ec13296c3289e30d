package org.brantel.core.filesystem.ext;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.filesystem.ClusterSet;
import org.brantel.core.filesystem.Fault;
import org.brantel.core.filesystem.FileRecord;
import org.brantel.core.filesystem.Judge;
import org.brantel.core.filesystem.Placement;
import org.brantel.core.filesystem.Problems;
import org.brantel.core.filesystem.Space;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Times;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/**
 * One walk over a volume: inodes, then folders for the names, then the journal for what both were before, then the
 * files.
 */
final class ExtWalk {

    private static final int JOURNAL_FALLBACK = 8;
    private static final int FIRST_USER = 11;
    private static final int FOLDER = 2;
    private static final long MAX_FOLDER_BYTES = 1L << 30;

    private final Source source;
    private final Superblock sb;
    private final Walk walk;
    private final Problems problems;
    private final Blocks blocks;
    private final Groups groups;
    private final InodeTable table;
    private final Names names = new Names();
    private final ClusterSet folders;
    private final Map<Long, Long> folderOfBlock = new HashMap<>();
    private final ClusterSet orphans;
    private final Space space;
    private final Judge judge;

    ExtWalk(Source source, Superblock sb, Walk walk, Problems problems) throws IOException {
        this.source = source;
        this.sb = sb;
        this.walk = walk;
        this.problems = problems;
        blocks = new Blocks(source, sb);
        groups = new Groups(sb, blocks);
        table = new InodeTable(sb, blocks, groups, problems);
        folders = new ClusterSet(sb.inodes() + 1);
        orphans = new ClusterSet(sb.inodes() + 1);
        space = ExtSpace.read(source, sb, groups, problems);
        judge = new Judge(source, space, walk, false);
    }

    Walked run() throws IOException {
        Journal journal = journal();
        blocks.overlay(journal.pending());
        table.forEach(true, this::firstRound);
        listFolders();
        OldInodes old = new OldInodes(journal, table, sb);
        old.read();
        List<OldInodes.Version> gone = old.gone();
        rememberFolders(journal, old, gone);
        table.forEach(false, this::secondRound);
        if (!walk.stopped()) {
            judge.gone(deleted(old, gone), Origin.DELETED);
        }
        return Walked.of(space.free(source.size()));
    }

    private Journal journal() throws IOException {
        boolean has = (sb.compatible() & Superblock.HAS_JOURNAL) != 0;
        Inode inode = has ? table.inode(sb.journalInode() == 0 ? JOURNAL_FALLBACK : sb.journalInode()) : null;
        return Journal.read(
                blocks,
                inode == null || inode.size() <= 0
                        ? List.of()
                        : BlockTree.of(inode, sb, blocks::read).extents());
    }

    private boolean firstRound(Inode inode) throws IOException {
        boolean hasContent = (inode.isFile() || inode.isFolder()) && inode.size() > 0;
        if (inode.isLive() && inode.deletedSeconds() == 0) {
            if (hasContent && !inode.holdsContent()) {
                judge.claim(BlockTree.of(inode, sb, blocks::read).extents(), null);
            }
            if (inode.isFolder()) {
                folders.add(inode.number());
            }
        } else if (hasContent && inode.number() >= FIRST_USER && inode.leadsSomewhere()) {
            orphans.add(inode.number());
            if (deletedAt(inode) == null) {
                // Deleted while it was open: it goes on the list of orphans and keeps its blocks (EXT4 "Orphan
                // inodes").
                BlockTree.of(inode, sb, blocks::read).extents().forEach(space::release);
            }
        }
        return !walk.stopped();
    }

    private void listFolders() throws IOException {
        Deque<Long> waiting = new ArrayDeque<>(List.of(Names.ROOT));
        Set<Long> seen = new HashSet<>(waiting);
        while (!waiting.isEmpty() && !walk.stopped()) {
            long number = waiting.poll();
            Inode folder = folders.holds(number) ? table.inode(number) : null;
            if (folder == null) {
                problems.add("Folder " + names.path(number) + " (inode " + number
                        + ") was not read; what it lists is missing.");
                continue;
            }
            readFolder(folder, blocks::read, (inode, type, name, live) -> {
                if (!live) {
                    names.remember(inode, new Names.Name(number, name, Names.NOW, false));
                } else if (!name.equals(".") && !name.equals("..")) {
                    names.list(inode, number, name);
                    if ((type == FOLDER || folders.holds(inode)) && seen.add(inode)) {
                        waiting.add(inode);
                    }
                }
            });
        }
        for (long number = folders.nextHeld(0);
                number <= sb.inodes() && !walk.stopped();
                number = folders.nextHeld(number + 1)) {
            Inode folder = seen.contains(number) ? null : table.inode(number);
            if (folder != null) {
                // Listed nowhere, but in use: its files are live all the same.
                readFolder(folder, blocks::read, (inode, type, name, live) -> {
                    if (live && !name.startsWith(".") && names.listed(inode).isEmpty()) {
                        names.list(inode, folder.number(), name);
                    }
                });
            }
        }
    }

    private void readFolder(Inode folder, BlockTree.Reader reader, FolderBlock.Listener listener) throws IOException {
        boolean hashed = (folder.flags() & Inode.HASHED) != 0;
        if (folder.holdsContent()) {
            readWithin(folder, listener);
            return;
        }
        for (Extent e : Extents.cut(BlockTree.of(folder, sb, reader).extents(), MAX_FOLDER_BYTES)) {
            for (long at = 0; !e.isHole() && at < e.length(); at += sb.blockBytes()) {
                long block = (e.offset() + at - sb.start()) / sb.blockBytes();
                Long other = folderOfBlock.putIfAbsent(block, folder.number());
                if (other != null) {
                    problems.add("Folder " + names.path(folder.number()) + " and folder " + names.path(other)
                            + " claim the same block " + block + "; it is read once.");
                    continue;
                }
                byte[] b = blocks.read(block);
                if (b == null) {
                    problems.add("A block of folder " + names.path(folder.number()) + " at byte " + (e.offset() + at)
                            + " was not read; entries there are missing.");
                    continue;
                }
                if (!Checksums.isFolderSound(sb, folder, b)) {
                    problems.add("A block of folder " + names.path(folder.number()) + " at byte " + (e.offset() + at)
                            + " fails its checksum; what it lists may be wrong.");
                }
                if (!FolderBlock.read(b, sb.inodes(), hashed, listener)) {
                    problems.add("A block of folder " + names.path(folder.number()) + " at byte " + (e.offset() + at)
                            + " is malformed; entries there are missing.");
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
    private void rememberFolders(Journal journal, OldInodes old, List<OldInodes.Version> gone) throws IOException {
        for (OldInodes.Version v : gone) {
            if (v.inode().isFolder() && !v.inode().holdsContent()) {
                for (Extent e : Extents.cut(
                        BlockTree.of(v.inode(), sb, old.asOf(v.transaction(), blocks))
                                .extents(),
                        MAX_FOLDER_BYTES)) {
                    rememberBlocks(e, v.inode().number());
                }
            }
        }
        rememberWithin(old);
        for (Map.Entry<Long, List<Journal.Copy>> e : journal.copies().entrySet()) {
            for (Journal.Copy copy : e.getValue()) {
                byte[] b = journal.read(copy);
                long owner = b == null ? 0 : ownerOf(e.getKey(), b);
                if (b != null && owner > 0) {
                    FolderBlock.read(b, sb.inodes(), true, (inode, type, name, live) -> {
                        if (!name.equals(".") && !name.equals("..")) {
                            names.remember(inode, new Names.Name(owner, name, copy.transaction(), live));
                        }
                    });
                }
            }
        }
    }

    private void rememberWithin(OldInodes old) throws IOException {
        old.forEachCopy((folder, transaction) -> {
            if (folder.isLive() && folder.isFolder() && folder.holdsContent() && old.isFreeOrOf(folder)) {
                readWithin(
                        folder,
                        (inode, type, name, live) ->
                                names.remember(inode, new Names.Name(folder.number(), name, transaction, live)));
            }
        });
    }

    /** A first block names its folder; others are of the folder that has the block now. */
    private long ownerOf(long block, byte[] b) {
        long named = FolderBlock.ownerOf(b);
        return named != 0 ? named : folderOfBlock.getOrDefault(block, 0L);
    }

    private void rememberBlocks(Extent e, long folder) throws IOException {
        for (long at = 0; !e.isHole() && at < e.length(); at += sb.blockBytes()) {
            long block = (e.offset() + at - sb.start()) / sb.blockBytes();
            boolean free = folderOfBlock.putIfAbsent(block, folder) == null;
            byte[] b = free ? blocks.read(block) : null;
            if (b != null && (FolderBlock.ownerOf(b) == folder || FolderBlock.ownerOf(b) == 0)) {
                FolderBlock.read(b, sb.inodes(), false, (inode, type, name, live) -> {
                    if (!name.equals(".") && !name.equals("..")) {
                        names.remember(inode, new Names.Name(folder, name, Names.NOW, false));
                    }
                });
            }
        }
    }

    private boolean secondRound(Inode inode) throws IOException {
        if (!inode.isLive() || !inode.isFile() || inode.deletedSeconds() != 0 || inode.number() < FIRST_USER) {
            return !walk.stopped();
        }
        List<Names.Name> all = names.listed(inode.number());
        if (all.isEmpty()) {
            judge.live(file(
                    inode,
                    "/(lost files)/",
                    "inode " + inode.number(),
                    blocks::read,
                    null,
                    List.of(new Fault.Unlisted())));
        }
        for (Names.Name name : all) {
            judge.live(file(inode, names.path(name.parent()), name.text(), blocks::read, null, List.of()));
        }
        return !walk.stopped();
    }

    private FileRecord file(
            Inode inode,
            String folder,
            String name,
            BlockTree.Reader reader,
            @Nullable Instant deleted,
            List<Fault> remarks)
            throws IOException {
        List<Fault> faults = new ArrayList<>(remarks);
        if (inode.isEncrypted()) {
            faults.add(new Fault.Encrypted());
        }
        Placement placement;
        if (inode.holdsContent()) {
            placement = new Placement.InRecord(InlineContent.extents(inode));
        } else {
            BlockTree.Mapped mapped = BlockTree.of(inode, sb, reader);
            if (mapped.fault() != null) {
                faults.add(mapped.fault());
            }
            placement = new Placement.Known(mapped.extents());
        }
        return new FileRecord(
                Named.of(folder + name, name),
                true,
                inode.size(),
                placement,
                null,
                new Times(inode.created(), inode.modified(), inode.accessed()),
                faults,
                RecordFacts.at(inode.at(), List.of(inode.permissions())).deletedAt(deleted));
    }

    private List<FileRecord> deleted(OldInodes old, List<OldInodes.Version> gone) throws IOException {
        List<FileRecord> files = new ArrayList<>();
        Set<Long> found = new HashSet<>();
        for (OldInodes.Version v : gone) {
            if (v.inode().isFile()) {
                Inode now = table.inode(v.inode().number());
                Instant deleted = now != null && now.generation() == v.inode().generation() ? deletedAt(now) : null;
                files.add(gone(old, v.inode(), v.transaction(), old.asOf(v.transaction(), blocks), deleted));
                found.add(v.inode().number());
            }
        }
        for (long number = orphans.nextHeld(0); number <= sb.inodes(); number = orphans.nextHeld(number + 1)) {
            Inode inode = table.inode(number);
            if (inode != null && inode.isFile() && found.add(inode.number())) {
                files.add(gone(old, inode, Names.NOW, blocks::read, deletedAt(inode)));
            }
        }
        nameless(files, found);
        return files;
    }

    /** An orphan has the number of the next one in the place of the time of its deletion. */
    private @Nullable Instant deletedAt(Inode inode) {
        return inode.deletedSeconds() > sb.inodes() ? Instant.ofEpochSecond(inode.deletedSeconds()) : null;
    }

    /** A name is a file's own when it was said of its generation; content whose name is not sure has none. */
    private FileRecord gone(
            OldInodes old, Inode inode, long transaction, BlockTree.Reader reader, @Nullable Instant deleted)
            throws IOException {
        List<Names.Name> own = new ArrayList<>();
        for (Names.Name name : names.old().getOrDefault(inode.number(), List.of())) {
            if (old.wasOf(inode, name)) {
                own.add(name);
            }
        }
        Optional<Names.Name> name = Names.surest(own, transaction);
        return name.isPresent()
                ? file(inode, names.path(name.get().parent()), name.get().text(), reader, deleted, List.of())
                : file(inode, "/(lost files)/", "inode " + inode.number(), reader, deleted, List.of());
    }

    /** Names whose inode was cleared and has no older copy. */
    private void nameless(List<FileRecord> files, Set<Long> found) throws IOException {
        for (Map.Entry<Long, List<Names.Name>> e : names.old().entrySet()) {
            Inode now = found.contains(e.getKey()) || folders.holds(e.getKey()) ? null : table.inode(e.getKey());
            if (now == null || now.isLive() || now.isFolder()) {
                continue;
            }
            Names.Name name = e.getValue().get(0);
            files.add(new FileRecord(
                    Named.of(names.path(name.parent()) + name.text(), name.text()),
                    true,
                    0,
                    new Placement.Lost("its inode " + e.getKey()
                            + " was cleared, and the journal has no older copy of it; only its name is left"),
                    null,
                    Times.NONE,
                    List.of(),
                    RecordFacts.at(now.at(), List.of()).deletedAt(deletedAt(now))));
        }
    }
}
