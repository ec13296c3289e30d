package org.brantel.core.filesystem.ext;

import static org.brantel.core.bytes.BigEndian.u16;
import static org.brantel.core.bytes.BigEndian.u32;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.brantel.core.content.Extent;
import org.jspecify.annotations.Nullable;

/**
 * The journal (EXT4 "Journal (jbd2)"), big-endian: copies of the volume's blocks, transaction by transaction. What is
 * older than what it still has to bring in stays there until it is written over, and shows how things were.
 *
 * <pre>
 * header of a block: offset size field      superblock (types 3, 4)          tag of a descriptor (type 1), from 12
 *      0    4  C03B3998                         12  4  block size                0  4  block, lower half
 *      4    4  type: 1 descriptor, 2 commit,    16  4  blocks                    4  2  checksum   6  2  flags
 *              3, 4 superblock, 5 revoked       20  4  first block of log        8  4  upper half (64-bit)
 *      8    4  transaction                      24  4  first transaction      with checksums of version 3:
 *                                               28  4  its block; 0: clean       0  4  block      4  4  flags
 *                                               40  4  features: 2 64-bit,       8  4  upper half 12 4  checksum
 *                                                      8, 10 checksums, 20 fast commits
 *                                               84  4  blocks of fast commits
 *     flags of a tag: 1 the copy begins with 0 for C03B3998, 2 no identifier (16 bytes) follows, 8 last
 * </pre>
 */
final class Journal {

    /** @param block in which the copy stands, of the volume */
    record Copy(long transaction, long block, boolean escaped) {}

    private static final long MAGIC = 0xc03b3998L;
    private static final int DESCRIPTOR = 1;
    private static final int COMMIT = 2;
    private static final int REVOKED = 5;
    private static final long ESCAPED = 1;
    private static final long NO_IDENTIFIER = 2;
    private static final long LAST = 8;
    private static final long FAST_COMMITS = 0x20;
    /** So many blocks where the superblock does not say. */
    private static final long FAST_BLOCKS = 256;

    private final Blocks blocks;
    private final List<Long> log = new ArrayList<>();
    private final Map<Long, List<Copy>> copies = new HashMap<>();
    private final Map<Long, Long> revoked = new HashMap<>();
    private final Set<Long> committed = new HashSet<>();
    private long features;
    private long first;
    private long firstTransaction;
    private boolean clean = true;
    /** Where the log ends, and fast commits begin. */
    private long end;

    private FastCommits fastCommits = FastCommits.NONE;

    private Journal(Blocks blocks) {
        this.blocks = blocks;
    }

    /** @param extents of the journal's inode */
    static Journal read(Blocks blocks, List<Extent> extents) throws IOException {
        Journal journal = new Journal(blocks);
        Superblock sb = blocks.superblock();
        for (Extent e : extents) {
            // A journal is not larger than the medium, whatever hole its inode claims.
            for (long at = 0; at < e.length() && journal.log.size() < sb.room().onMedium(); at += sb.blockBytes()) {
                journal.log.add(e.isHole() ? -1 : (e.offset() + at - sb.start()) / sb.blockBytes());
            }
        }
        byte[] head = journal.log.isEmpty() ? null : blocks.read(journal.log.get(0));
        if (head == null || u32(head, 0) != MAGIC || u32(head, 12) != sb.blockBytes()) {
            return journal;
        }
        journal.features = u32(head, 4) == 4 ? u32(head, 40) : 0;
        journal.first = Math.max(1, u32(head, 20));
        journal.firstTransaction = u32(head, 24);
        journal.clean = u32(head, 28) == 0;
        long all = Math.min(journal.log.size(), u32(head, 16));
        boolean fast = (journal.features & FAST_COMMITS) != 0;
        long forFast = fast && u32(head, 84) == 0 ? FAST_BLOCKS : u32(head, 84);
        journal.end = fast ? Math.max(journal.first, all - forFast) : all;
        for (long i = journal.first; i < journal.end; i++) {
            journal.take(i, journal.end);
        }
        if (fast && !journal.clean) {
            journal.fastCommits = journal.fastCommits(all);
        }
        return journal;
    }

    /** They go on from the last transaction that was committed. */
    private FastCommits fastCommits(long all) throws IOException {
        long transaction = firstTransaction;
        while (committed.contains(transaction)) {
            transaction++;
        }
        List<byte[]> read = new ArrayList<>();
        // The log's last block and their first have one between them that nobody uses.
        for (long i = end + 1; i < all; i++) {
            byte[] b = blocks.read(log.get((int) i));
            if (b == null || u32(b, 0) == 0) {
                break;
            }
            read.add(b);
        }
        return FastCommits.read(read, transaction);
    }

    /** What changed since the last transaction. */
    FastCommits fastCommits() {
        return fastCommits;
    }

    private void take(long at, long end) throws IOException {
        byte[] b = blocks.read(log.get((int) at));
        if (b == null || u32(b, 0) != MAGIC) {
            return;
        }
        long transaction = u32(b, 8);
        switch ((int) u32(b, 4)) {
            case DESCRIPTOR -> tags(b, transaction, at, end);
            case COMMIT -> committed.add(transaction);
            case REVOKED -> revoked(b, transaction);
            default -> {}
        }
    }

    private void tags(byte[] b, long transaction, long at, long end) throws IOException {
        boolean three = (features & 0x10) != 0;
        boolean wide = (features & 2) != 0;
        int size = three ? 16 : (wide ? 12 : 8) + ((features & 8) != 0 ? 2 : 0);
        long next = at;
        for (int tag = 12; tag + size <= b.length; ) {
            long flags = three ? u32(b, tag + 4) : u16(b, tag + 6);
            long block = u32(b, tag) | (wide ? u32(b, tag + 8) << 32 : 0);
            next = next + 1 >= end ? first : next + 1;
            long stands = log.get((int) next);
            byte[] copy = blocks.read(stands);
            // A block that begins like the journal's own was written by a later transaction: the rest is gone.
            if (copy == null || u32(copy, 0) == MAGIC) {
                return;
            }
            copies.computeIfAbsent(block, k -> new ArrayList<>(2))
                    .add(new Copy(transaction, stands, (flags & ESCAPED) != 0));
            tag += size + ((flags & NO_IDENTIFIER) != 0 ? 0 : 16);
            if ((flags & LAST) != 0) {
                return;
            }
        }
    }

    private void revoked(byte[] b, long transaction) {
        int size = (features & 2) != 0 ? 8 : 4;
        long end = Math.min(u32(b, 12), b.length);
        for (int at = 16; at + size <= end; at += size) {
            long block = size == 8 ? u32(b, at) << 32 | u32(b, at + 4) : u32(b, at);
            revoked.merge(block, transaction, Math::max);
        }
    }

    /** For every block that was not brought in yet, its newest copy that was committed. */
    Map<Long, Copy> pending() {
        Map<Long, Copy> pending = new HashMap<>();
        if (clean) {
            return pending;
        }
        copies.forEach((block, all) -> all.stream()
                .filter(c -> c.transaction() >= firstTransaction && committed.contains(c.transaction()))
                .filter(c -> revoked.getOrDefault(block, -1L) < c.transaction())
                .max((x, y) -> Long.compare(x.transaction(), y.transaction()))
                .ifPresent(c -> pending.put(block, c)));
        return pending;
    }

    /** Blocks of which there are copies, with these. */
    Map<Long, List<Copy>> copies() {
        return copies;
    }

    /** A copy as the block was; null when it was not read. */
    byte @Nullable [] read(Copy copy) throws IOException {
        return restored(blocks.read(copy.block()), copy);
    }

    /** The first four bytes of a copy that would look like the journal's own are kept as zeros. */
    static byte @Nullable [] restored(byte @Nullable [] b, Copy copy) {
        if (b != null && copy.escaped()) {
            b[0] = (byte) 0xc0;
            b[1] = 0x3b;
            b[2] = 0x39;
            b[3] = (byte) 0x98;
        }
        return b;
    }
}
