package org.brantel.core.filesystem.ext;

import java.io.IOException;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Older copies of inodes in the journal. A file that was deleted lost its blocks from its inode; the copy from before
 * still has them. Copies are told apart by generation: each file that ever had the inode has its own.
 */
final class OldInodes {

    /** @param transaction in which the copy was made */
    record Version(Inode inode, long transaction) {}

    /** Hears of copies. */
    interface Visitor {
        void copy(Inode inode, long transaction) throws IOException;
    }

    /** Generations have 32 bits. */
    private static final long NOBODYS = -1;

    private final Journal journal;
    private final InodeTable table;
    private final Superblock sb;
    private final Map<Inode.Key, Version> newest = new HashMap<>();

    OldInodes(Journal journal, InodeTable table, Superblock sb) {
        this.journal = journal;
        this.table = table;
        this.sb = sb;
    }

    /** Finds what the journal has of files and folders that are no longer there. */
    void read() throws IOException {
        forEachCopy((old, transaction) -> {
            if (old.isLive() && (old.isFile() || old.isFolder()) && old.number() > 10 && old.leadsSomewhere()) {
                newest.merge(
                        old.key(), new Version(old, transaction), (a, c) -> c.transaction() > a.transaction() ? c : a);
            }
        });
    }

    /** Tells of each copy of an inode that the journal has. */
    void forEachCopy(Visitor visitor) throws IOException {
        for (Map.Entry<Long, List<Journal.Copy>> e : journal.copies().entrySet()) {
            long first = table.firstInodeOf(e.getKey());
            if (first == 0) {
                continue;
            }
            for (Journal.Copy copy : e.getValue()) {
                byte[] b = journal.read(copy);
                for (int i = 0; b != null && i < sb.blockBytes() / sb.inodeBytes(); i++) {
                    visitor.copy(table.inode(first + i, b, copy.block()), copy.transaction());
                }
            }
        }
    }

    /** Whether a name that leads to a file's inode was said of this file, and not of another that had the inode. */
    boolean wasOf(Inode file, Names.Name name) throws IOException {
        return name.listed() ? wasListedOf(file, name.transaction()) : wasLeftOf(file, name.transaction());
    }

    /**
     * What a folder listed at a transaction was said of the file that had the inode then. The journal is written over
     * from its oldest transaction on: where it has a copy of the inode from then or before, it has all that came later.
     * Where it has none, only an inode that never was another file's is sure.
     */
    private boolean wasListedOf(Inode file, long transaction) throws IOException {
        boolean alwaysIts = isFreeOrOf(file);
        for (Journal.Copy copy : newestFirst(table.blockOf(file.number()))) {
            Inode then = inodeIn(copy, file.number());
            if (then == null) {
                continue;
            }
            boolean its = then.generation() == file.generation();
            if (copy.transaction() <= transaction) {
                return its;
            }
            alwaysIts &= its;
        }
        return alwaysIts;
    }

    /**
     * What a folder's slack shows at a transaction was said before it, nobody knows when: it is the file's when no
     * other is known to have had the inode until then, and when the file itself was not there any longer.
     */
    private boolean wasLeftOf(Inode file, long transaction) throws IOException {
        if (transaction == Names.NOW && !isFreeOrOf(file)) {
            return false;
        }
        for (Journal.Copy copy : newestFirst(table.blockOf(file.number()))) {
            Inode then = inodeIn(copy, file.number());
            if (then == null) {
                continue;
            }
            boolean its = then.generation() == file.generation();
            boolean anothers = !its && copy.transaction() <= transaction;
            boolean stillThere = its && then.isLive() && copy.transaction() >= transaction;
            if (anothers || stillThere) {
                return false;
            }
        }
        return true;
    }

    /** A file or folder as it is now; else as the journal last had it; empty where it has nothing of it. */
    Optional<Version> version(Inode.Key of) throws IOException {
        Inode now = table.inode(of.number());
        return now != null && now.isLive() && now.generation() == of.generation()
                ? Optional.of(new Version(now, Names.NOW))
                : Optional.ofNullable(newest.get(of));
    }

    /** Who had an inode at a transaction; a generation that nobody has where that is not sure. */
    Inode.Key at(long number, long transaction) throws IOException {
        Inode now = table.inode(number);
        Inode only = now == null || now.mode() == 0 ? null : now;
        for (Journal.Copy copy : newestFirst(table.blockOf(number))) {
            Inode then = inodeIn(copy, number);
            if (then != null && copy.transaction() <= transaction) {
                return then.key();
            }
            only = then == null || only != null && only.generation() == then.generation() ? only : null;
        }
        return only == null ? new Inode.Key(number, NOBODYS) : only.key();
    }

    /** Whether no other file or folder has its inode now. */
    private boolean isFreeOrOf(Inode file) throws IOException {
        Inode now = table.inode(file.number());
        return now == null || now.mode() == 0 || now.generation() == file.generation();
    }

    private @Nullable Inode inodeIn(Journal.Copy copy, long number) throws IOException {
        byte[] b = journal.read(copy);
        Inode then = b == null ? null : table.inode(number, b, copy.block());
        return then == null || then.mode() == 0 ? null : then;
    }

    private List<Journal.Copy> newestFirst(long block) {
        return journal.copies().getOrDefault(block, List.of()).stream()
                .sorted(Comparator.comparingLong(Journal.Copy::transaction).reversed())
                .toList();
    }

    /** Of inodes that are free now or were given to another file. */
    List<Version> gone() throws IOException {
        newest.entrySet().removeIf(e -> isStillThere(e.getKey()));
        return newest.values().stream()
                .sorted(Comparator.comparingLong((Version v) -> v.inode().number())
                        .thenComparing(Version::transaction))
                .toList();
    }

    private boolean isStillThere(Inode.Key key) {
        try {
            Inode now = table.inode(key.number());
            return now != null && now.isLive() && now.generation() == key.generation();
        } catch (IOException e) {
            // Not to be read now: what the journal has is all there is.
            return false;
        }
    }

    /** The block as it was with a transaction, as near as the journal has it; else as it is. */
    BlockTree.Reader asOf(long transaction, Blocks blocks) {
        return block -> {
            List<Journal.Copy> copies = journal.copies().getOrDefault(block, List.of());
            Optional<Journal.Copy> then = copies.stream()
                    .filter(c -> c.transaction() <= transaction)
                    .max(Comparator.comparingLong(Journal.Copy::transaction))
                    .or(() -> copies.stream().min(Comparator.comparingLong(Journal.Copy::transaction)));
            byte[] copy = then.isPresent() ? journal.read(then.get()) : null;
            return copy != null ? copy : blocks.read(block);
        };
    }
}
