package org.brantel.core.filesystem.ext;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
    /** The volume was not closed cleanly, and its own record is older. */
    private static final String ONLY_IN_JOURNAL = "as the journal has it";

    private final Source source;
    private final Superblock sb;
    private final Walk walk;
    private final Problems problems;
    private final Blocks blocks;
    private final Groups groups;
    private final InodeTable table;
    private final Journal journal;
    private final OldInodes old;
    private final Names names;
    private final ClusterSet folders;
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
        journal = journal();
        // From here on the volume reads as if the journal were in place: its bitmaps as well.
        blocks.overlay(journal.pending());
        List<Inode> replaced = table.bring(journal.fastCommits());
        old = new OldInodes(journal, table, sb);
        names = new Names(old);
        space = ExtSpace.read(blocks, groups, problems);
        // Fast commits leave to whoever replays them to free what a deleted file had.
        for (Inode inode : replaced) {
            if (!inode.holdsContent()) {
                BlockTree.of(inode, sb, blocks::read).extents().forEach(space::release);
            }
        }
        judge = new Judge(source, space, walk, false);
    }

    Walked run() throws IOException {
        table.forEach(true, this::firstRound);
        Folders listing = new Folders(sb, blocks, table, names, this::mapped, journal.fastCommits(), problems);
        listing.list(folders, walk);
        old.read();
        List<OldInodes.Version> gone = old.gone();
        listing.remember(journal, old, gone);
        table.forEach(false, this::secondRound);
        if (!walk.stopped()) {
            judge.gone(deleted(gone), Origin.DELETED);
        }
        return Walked.of(space.free(source.size()));
    }

    private Journal journal() throws IOException {
        boolean has = (sb.features().compatible() & Superblock.HAS_JOURNAL) != 0;
        Inode inode = has ? table.inode(sb.journalInode() == 0 ? JOURNAL_FALLBACK : sb.journalInode()) : null;
        return Journal.read(
                blocks,
                inode == null || inode.size() <= 0
                        ? List.of()
                        : BlockTree.of(inode, sb, blocks::read).extents());
    }

    /** As it is now. */
    private BlockTree.Mapped mapped(Inode inode) throws IOException {
        return journal.fastCommits().mapped(inode, BlockTree.of(inode, sb, blocks::read), sb);
    }

    private boolean firstRound(Inode inode) throws IOException {
        boolean hasContent = (inode.isFile() || inode.isFolder()) && inode.size() > 0;
        if (inode.isLive() && inode.deletedSeconds() == 0) {
            if (hasContent && !inode.holdsContent()) {
                judge.claim(mapped(inode).extents(), null);
            }
            if (inode.isFolder()) {
                folders.add(inode.number());
            }
        } else if (hasContent && inode.number() >= FIRST_USER && inode.leadsSomewhere()) {
            orphans.add(inode.number());
            if (deletedAt(inode) == null) {
                // Deleted while it was open: it is on the list of orphans, and its blocks are still its own.
                BlockTree.of(inode, sb, blocks::read).extents().forEach(space::release);
            }
        }
        return !walk.stopped();
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
                    this::mapped,
                    null,
                    List.of(new Fault.Unlisted())));
        }
        for (Names.Name name : all) {
            judge.live(file(inode, names.path(name.folder()), name.text(), this::mapped, null, List.of()));
        }
        return !walk.stopped();
    }

    private FileRecord file(
            Inode inode,
            String folder,
            String name,
            BlockTree.Layout layout,
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
            BlockTree.Mapped mapped = layout.of(inode);
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
                inode.times(),
                faults,
                RecordFacts.at(inode.at(), attributes(inode)).deletedAt(deleted));
    }

    private List<String> attributes(Inode inode) throws IOException {
        return table.isNewer(inode) ? List.of(inode.permissions(), ONLY_IN_JOURNAL) : List.of(inode.permissions());
    }

    private List<FileRecord> deleted(List<OldInodes.Version> gone) throws IOException {
        List<FileRecord> files = new ArrayList<>();
        Map<Long, List<Inode>> found = new HashMap<>();
        for (OldInodes.Version v : gone) {
            Inode inode = v.inode();
            if (inode.isFile()) {
                Inode now = table.inode(inode.number());
                Instant deleted = now != null && now.generation() == inode.generation() ? deletedAt(now) : null;
                BlockTree.Reader then = old.asOf(v.transaction(), blocks);
                files.add(gone(inode, v.transaction(), i -> BlockTree.of(i, sb, then), deleted));
                found.computeIfAbsent(inode.number(), n -> new ArrayList<>(2)).add(inode);
            }
        }
        for (long number = orphans.nextHeld(0); number <= sb.inodes(); number = orphans.nextHeld(number + 1)) {
            Inode inode = found.containsKey(number) ? null : table.inode(number);
            if (inode != null && inode.isFile()) {
                files.add(gone(inode, Names.NOW, this::mapped, deletedAt(inode)));
                found.put(number, new ArrayList<>(List.of(inode)));
            }
        }
        names.forEachUntied(number -> holders(number, found), (number, name) -> files.add(nameOnly(number, name)));
        return files;
    }

    private List<Inode> holders(long number, Map<Long, List<Inode>> gone) throws IOException {
        List<Inode> all = new ArrayList<>(gone.getOrDefault(number, List.of()));
        Inode now = table.inode(number);
        if (now != null && now.isLive()) {
            all.add(now);
        }
        return all;
    }

    /** An orphan has the number of the next one in the place of the time of its deletion. */
    private @Nullable Instant deletedAt(Inode inode) {
        return inode.deletedSeconds() > sb.inodes() ? Instant.ofEpochSecond(inode.deletedSeconds()) : null;
    }

    /** A name is a file's own when it was said of its generation; content whose name is not sure has none. */
    private FileRecord gone(Inode inode, long transaction, BlockTree.Layout layout, @Nullable Instant deleted)
            throws IOException {
        Optional<Names.Name> name = names.of(inode, transaction);
        return name.isPresent()
                ? file(inode, names.path(name.get().folder()), name.get().text(), layout, deleted, List.of())
                : file(inode, "/(lost files)/", "inode " + inode.number(), layout, deleted, List.of());
    }

    /** A name that is tied to no content; its inode was cleared, or is another file's. */
    private FileRecord nameOnly(long number, Names.Place name) throws IOException {
        Inode now = table.inode(number);
        boolean cleared = now == null || !now.isLive();
        return new FileRecord(
                Named.of(names.path(name.folder()) + name.text(), name.text()),
                true,
                0,
                new Placement.Lost(
                        cleared
                                ? "its inode " + number
                                        + " was cleared, and nothing that is left of it is known to have had this name"
                                : "its inode " + number
                                        + " is another's now, and which file had it under this name is not known"),
                null,
                Times.NONE,
                List.of(),
                now == null
                        ? RecordFacts.NONE
                        : RecordFacts.at(now.at(), List.of()).deletedAt(cleared ? deletedAt(now) : null));
    }
}
