package org.brantel.core.filesystem.ntfs;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.brantel.core.bytes.Slot;
import org.brantel.core.finding.Times;

/**
 * A name of a file, in its record and in its folder's index (NTFS3 "struct ATTR_FILE_NAME").
 *
 * <pre>
 * offset size field
 *      0    8  record of the folder, its sequence in the upper 16 bits
 *      8    8  created;  16  8  content changed;  24  8  record changed;  32  8  accessed
 *     48    8  bytes of content
 *     56    4  attributes
 *     64    1  characters of the name
 *     65    1  0 POSIX, 1 long, 2 short only, 3 long that is short as well
 *     66       name, UTF-16LE
 * </pre>
 */
record FileName(long parent, int parentSequence, Times times, long size, long attributes, int space, String name) {

    static final Slot PARENT = new Slot(0, 8);
    static final Slot CREATED = new Slot(8, 8);
    static final Slot MODIFIED = new Slot(16, 8);
    static final Slot ACCESSED = new Slot(32, 8);
    static final Slot BYTES = new Slot(48, 8);
    static final Slot ATTRIBUTES = new Slot(56, 4);
    static final Slot CHARACTERS = new Slot(64, 1);
    static final Slot SPACE = new Slot(65, 1);

    static final int HEAD = 66;
    static final int SHORT_ONLY = 2;

    /**
     * Without regard to whether it makes sense.
     *
     * @return empty where it does not fit
     */
    static Optional<FileName> parse(byte[] b, int at, int length) {
        if (length < HEAD || at < 0 || at + length > b.length) {
            return Optional.empty();
        }
        int characters = CHARACTERS.intIn(b, at);
        if (characters == 0 || HEAD + characters * 2 > length) {
            return Optional.empty();
        }
        long parent = PARENT.in(b, at);
        return Optional.of(new FileName(
                MftRecord.numberOf(parent),
                MftRecord.sequenceOf(parent),
                new Times(
                        FileTime.instant(CREATED.in(b, at)),
                        FileTime.instant(MODIFIED.in(b, at)),
                        FileTime.instant(ACCESSED.in(b, at))),
                BYTES.in(b, at),
                ATTRIBUTES.in(b, at),
                SPACE.intIn(b, at),
                new String(b, at + HEAD, characters * 2, StandardCharsets.UTF_16LE)));
    }

    /** Whether what was found somewhere by itself can be a name at all. */
    boolean isPlausible(long records) {
        return space <= 3
                && parent < Math.max(records, 16)
                && parentSequence != 0
                && size >= 0
                && size < 1L << 44
                && FileTime.isPlausible(times.created())
                && FileTime.isPlausible(times.modified())
                && name.chars().noneMatch(c -> c < 0x20 || c == '/' || c == 0xffff);
    }

    boolean isFolder() {
        return (attributes & 0x10000000L) != 0;
    }
}
