package org.brantel.core.filesystem.ext;

import java.io.IOException;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Older copies of inodes in the journal. A file that was deleted lost its blocks from its inode; the copy from before
 * still has them. Copies are told apart by generation: each file that ever had the inode has its own.
 */
final class OldInodes {

    /** @param transaction in which the copy was made */
    record Version(Inode inode, long transaction) {}

    private record Key(long number, long generation) {}

    private final Journal journal;
    private final InodeTable table;
    private final Superblock sb;
    private final Map<Key, Version> newest = new HashMap<>();

    OldInodes(Journal journal, InodeTable table, Superblock sb) {
        this.journal = journal;
        this.table = table;
        this.sb = sb;
    }

    /** Finds what the journal has of files and folders that are no longer there. */
    void read() throws IOException {
        for (Map.Entry<Long, List<Journal.Copy>> e : journal.copies().entrySet()) {
            long first = table.firstInodeOf(e.getKey());
            if (first == 0) {
                continue;
            }
            for (Journal.Copy copy : e.getValue()) {
                byte[] b = journal.read(copy);
                for (int i = 0; b != null && i < sb.blockBytes() / sb.inodeBytes(); i++) {
                    Inode old = table.inode(first + i, b, copy.block());
                    if (old.isLive() && (old.isFile() || old.isFolder()) && old.number() > 10 && old.leadsSomewhere()) {
                        newest.merge(
                                new Key(old.number(), old.generation()),
                                new Version(old, copy.transaction()),
                                (a, c) -> c.transaction() > a.transaction() ? c : a);
                    }
                }
            }
        }
    }

    /**
     * Whether what a folder said of an inode at a transaction was said of the file with this generation. The journal is
     * written over from its oldest transaction on: where it has a copy of the inode from then or before, it has all
     * that came later. Where it has none, only an inode that never was another file's is sure.
     */
    boolean wasOf(Inode file, long transaction) throws IOException {
        Inode now = table.inode(file.number());
        boolean stillIts = now == null || now.mode() == 0 || now.generation() == file.generation();
        if (transaction == Names.NOW) {
            return stillIts;
        }
        boolean alwaysIts = stillIts;
        for (Journal.Copy copy : newestFirst(table.blockOf(file.number()))) {
            byte[] b = journal.read(copy);
            Inode then = b == null ? null : table.inode(file.number(), b, copy.block());
            if (then == null || then.mode() == 0) {
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

    private boolean isStillThere(Key key) {
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
