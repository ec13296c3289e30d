package org.brantel.core.kind.data;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.Set;
import org.brantel.core.bytes.ByteView;

/**
 * The entries of an ISO 9660 image's directories (ECMA-119, section 9.1): length at 0, first block at 2 and bytes at 10
 * in both byte orders, flags at 25 (bit 1: a directory), length of the name at 32. None crosses a sector's edge.
 */
final class IsoEntries {

    private static final int SECTOR = 2048;
    private static final int SHORTEST = 34;
    private static final int MOST = 1 << 20;

    private final ByteView content;
    private final int block;
    private final long end;
    private final Set<Long> starts = new HashSet<>();
    private final Set<Long> directories = new HashSet<>();
    private long bytes;
    private final Deque<Long> waiting = new ArrayDeque<>();

    IsoEntries(ByteView content, int block, long end) {
        this.content = content;
        this.block = block;
        this.end = end;
    }

    /** Where files begin. */
    Set<Long> starts() {
        return starts;
    }

    /**
     * Reads all directories.
     *
     * @param root where the root's entry stands
     * @return false when an entry is malformed, or leads beyond the image
     */
    boolean read(long root) throws IOException {
        boolean sound = take(root);
        while (sound && !waiting.isEmpty()) {
            long entry = waiting.poll();
            sound = directory(start(entry), content.u32le(entry + 10));
        }
        return sound;
    }

    /** Bytes of all directories. */
    long bytes() {
        return bytes;
    }

    private boolean directory(long from, long length) throws IOException {
        bytes += length;
        for (long at = from; at < from + length; ) {
            int entry = content.u8(at);
            if (entry == 0) {
                at = from + ((at - from) / SECTOR + 1) * SECTOR;
            } else if (entry < SHORTEST || at + entry > from + length || !take(at)) {
                return false;
            } else {
                at += entry;
            }
        }
        return true;
    }

    private boolean take(long entry) throws IOException {
        long bytes = content.u32le(entry + 10);
        long start = start(entry);
        if (content.u32le(entry + 2) != content.u32be(entry + 6)
                || bytes != content.u32be(entry + 14)
                || bytes > 0 && start + bytes > end) {
            return false;
        }
        if ((content.u8(entry + 25) & 2) == 0) {
            starts.add(start);
        } else if (directories.add(start)) {
            waiting.add(entry);
        }
        return starts.size() + directories.size() < MOST;
    }

    private long start(long entry) throws IOException {
        return content.u32le(entry + 2) * block;
    }
}
