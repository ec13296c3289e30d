package org.brantel.core.filesystem.ext;

import static org.brantel.core.bytes.LittleEndian.u16;

import java.time.Instant;
import java.util.Arrays;
import org.brantel.core.bytes.Slot;
import org.brantel.core.finding.Times;
import org.jspecify.annotations.Nullable;

/**
 * An inode (EXT4 "Index Nodes").
 *
 * <pre>
 * offset size field                                  offset size field
 *      0    2  mode; upper 4 bits: 4 folder,            40   60  block map, extents, or the content itself
 *              8 file, A link                          100    4  generation
 *      4    4  bytes, lower half                       108    4  bytes, upper half
 *      8    4  accessed;  12  4  inode changed         128    2  bytes in use beyond 128
 *     16    4  content changed                         136    4  content changed: nanoseconds &lt;&lt; 2, era in the
 *     low 2 bits 20    4  deleted, or the next orphan             140    4  accessed, likewise
 *     26    2  names                                   144    4  created;  148  4  likewise
 *     32    4  flags: 80000 extents, 10000000 content within, 1000 hashed folder, 800 encrypted
 * </pre>
 *
 * @param number     from 1
 * @param body       all its bytes
 * @param at         where it lies in the source
 */
record Inode(long number, byte[] body, long at, int mode, long size, Times times) {

    static final Slot MODE = new Slot(0, 2);
    static final Slot BYTES_LOWER = new Slot(4, 4);
    static final Slot ACCESSED = new Slot(8, 4);
    static final Slot INODE_CHANGED = new Slot(12, 4);
    static final Slot MODIFIED = new Slot(16, 4);
    static final Slot DELETED = new Slot(20, 4);
    static final Slot NAMES = new Slot(26, 2);
    static final Slot FLAGS = new Slot(32, 4);
    static final Slot GENERATION = new Slot(100, 4);
    static final Slot BYTES_UPPER = new Slot(108, 4);
    private static final Slot EXTRA = new Slot(128, 2);
    private static final Slot MODIFIED_MORE = new Slot(136, 4);
    private static final Slot ACCESSED_MORE = new Slot(140, 4);
    static final Slot CREATED = new Slot(144, 4);
    private static final Slot CREATED_MORE = new Slot(148, 4);

    /** In the upper 4 bits of its mode. */
    static final int FOLDER = 4;

    static final int MAP_AT = 40;
    static final int MAP_BYTES = 60;
    static final long EXTENTS = 0x80000;
    static final long CONTENT_WITHIN = 0x10000000L;
    static final long HASHED = 0x1000;
    static final long ENCRYPTED = 0x800;

    static Inode parse(long number, byte[] b, int at, int length, long placed) {
        byte[] body = Arrays.copyOfRange(b, at, at + length);
        int extra = length > 130 ? Math.min(EXTRA.intIn(body, 0), length - 128) : 0;
        return new Inode(
                number,
                body,
                placed,
                MODE.intIn(body, 0),
                BYTES_LOWER.in(body, 0) | BYTES_UPPER.in(body, 0) << 32,
                new Times(
                        extra >= 24 ? time(body, CREATED, extra, CREATED_MORE) : null,
                        time(body, MODIFIED, extra, MODIFIED_MORE),
                        time(body, ACCESSED, extra, ACCESSED_MORE)));
    }

    long deletedSeconds() {
        return DELETED.in(body, 0);
    }

    int names() {
        return NAMES.intIn(body, 0);
    }

    long flags() {
        return FLAGS.in(body, 0);
    }

    /** Tells a file from others that had the same inode. */
    long generation() {
        return GENERATION.in(body, 0);
    }

    private static @Nullable Instant time(byte[] body, Slot slot, int extra, Slot finer) {
        int seconds = (int) slot.in(body, 0);
        if (seconds == 0) {
            return null;
        }
        if (128 + extra < finer.end()) {
            return Instant.ofEpochSecond(seconds);
        }
        long more = finer.in(body, 0);
        long nanos = more >> 2;
        return Instant.ofEpochSecond(seconds + ((more & 3) << 32), nanos < 1_000_000_000L ? nanos : 0);
    }

    /** What an inode's number is at one time: generations tell its files and folders apart. */
    record Key(long number, long generation) {}

    Key key() {
        return new Key(number, generation());
    }

    boolean isFile() {
        return mode >> 12 == 8;
    }

    boolean isFolder() {
        return mode >> 12 == FOLDER;
    }

    boolean isLive() {
        return mode != 0 && names() > 0 && size >= 0;
    }

    boolean usesExtents() {
        return (flags() & EXTENTS) != 0;
    }

    boolean holdsContent() {
        return (flags() & CONTENT_WITHIN) != 0;
    }

    boolean isEncrypted() {
        return (flags() & ENCRYPTED) != 0;
    }

    /** Whether anything leads to its bytes. */
    boolean leadsSomewhere() {
        if (holdsContent()) {
            return size > 0;
        }
        int from = usesExtents() ? MAP_AT + 12 : MAP_AT;
        for (int i = from; i < MAP_AT + MAP_BYTES; i++) {
            if (body[i] != 0) {
                return !usesExtents() || u16(body, MAP_AT + 2) > 0;
            }
        }
        return false;
    }

    String permissions() {
        String octal = Integer.toOctalString(mode & 07777);
        return "0".repeat(4 - octal.length()) + octal;
    }
}
