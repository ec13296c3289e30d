package org.brantel.core.filesystem.exfat;

import static org.brantel.core.bytes.LittleEndian.u8;

import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.Slot;
import org.brantel.core.filesystem.DosAttributes;
import org.brantel.core.finding.Times;
import org.jspecify.annotations.Nullable;

/**
 * The entries that make a file: 32 bytes each, one that counts the others, one for its stream, the rest for its name
 * (EXFAT sections 7.4, 7.6 and 7.7). The highest bit of each type is cleared when the file is deleted.
 *
 * <pre>
 * 85 file                            C0 stream                                 C1 name
 * offset size field                  offset size field                        offset size field
 *      1    1  entries that follow        1    1  flags: 1 has clusters,          2   30  15 characters, UTF-16LE
 *      2    2  checksum of all                     2 in one piece, no chain
 *      4    2  attributes                 3    1  characters of the name
 *      8    4  created                    8    8  bytes that were written
 *     12    4  changed                   20    4  first cluster
 *     16    4  accessed                  24    8  bytes of content
 *     20    1  created, 10 ms
 *     21    1  changed, 10 ms
 *     22    3  offsets from UTC, created, changed, accessed
 * </pre>
 *
 * @param sound   the checksum holds
 * @param entries how many entries the set takes
 */
record EntrySet(boolean live, boolean sound, int attributes, Times times, Stream stream, String name, int entries) {

    /**
     * Where its bytes are.
     *
     * @param inPiece the clusters follow each other and have no chain
     */
    record Stream(boolean inPiece, long written, long firstCluster, long size) {}

    static final int SIZE = 32;
    static final Slot FOLLOWING = new Slot(1, 1);
    static final Slot CHECKSUM = new Slot(2, 2);
    static final Slot ATTRIBUTES = new Slot(4, 2);
    static final Slot CREATED = new Slot(8, 4);
    static final Slot MODIFIED = new Slot(12, 4);
    static final Slot ACCESSED = new Slot(16, 4);
    private static final Slot CREATED_FINER = new Slot(20, 1);
    private static final Slot MODIFIED_FINER = new Slot(21, 1);
    private static final Slot CREATED_ZONE = new Slot(22, 1);
    private static final Slot MODIFIED_ZONE = new Slot(23, 1);
    private static final Slot ACCESSED_ZONE = new Slot(24, 1);

    static final Slot STREAM_FLAGS = new Slot(1, 1);
    static final Slot CHARACTERS = new Slot(3, 1);
    static final Slot WRITTEN = new Slot(8, 8);
    static final Slot FIRST_CLUSTER = new Slot(20, 4);
    static final Slot BYTES = new Slot(24, 8);

    static final Slot NAME_PART = new Slot(2, 30);
    static final int IN_USE = 0x80;
    private static final int FILE = 0x05;
    private static final int STREAM = 0x40;
    static final int NAME = 0x41;
    static final int MOST = 19;

    boolean isFolder() {
        return (attributes & 0x10) != 0;
    }

    List<String> attributeWords() {
        return DosAttributes.words(attributes);
    }

    static boolean beginsAt(byte[] b, int at) {
        return (u8(b, at) & ~IN_USE) == FILE;
    }

    /** @return empty where no whole set stands; a deleted one must hold its checksum, as its entries may be others' */
    static Optional<EntrySet> parse(byte[] b, int at, int end) {
        int type = u8(b, at);
        boolean live = (type & IN_USE) != 0;
        int entries = FOLLOWING.intIn(b, at) + 1;
        if ((type & ~IN_USE) != FILE || entries < 3 || entries > MOST || at + entries * SIZE > end) {
            return Optional.empty();
        }
        int stream = at + SIZE;
        if (u8(b, stream) != (STREAM | type & IN_USE)) {
            return Optional.empty();
        }
        int characters = CHARACTERS.intIn(b, stream);
        int nameEntries = (characters + 14) / 15;
        if (characters == 0 || nameEntries > entries - 2) {
            return Optional.empty();
        }
        StringBuilder name = new StringBuilder();
        for (int i = 0; i < nameEntries; i++) {
            int entry = stream + SIZE + i * SIZE;
            if (u8(b, entry) != (NAME | type & IN_USE)) {
                return Optional.empty();
            }
            name.append(new String(b, entry + NAME_PART.at(), NAME_PART.length(), StandardCharsets.UTF_16LE));
        }
        boolean sound = checksum(b, at, entries) == CHECKSUM.intIn(b, at);
        long size = BYTES.in(b, stream);
        long written = WRITTEN.in(b, stream);
        if (!live && !sound || size < 0 || written < 0) {
            return Optional.empty();
        }
        return Optional.of(new EntrySet(
                live,
                sound,
                ATTRIBUTES.intIn(b, at),
                new Times(
                        time(CREATED.in(b, at), CREATED_FINER.intIn(b, at), CREATED_ZONE.intIn(b, at)),
                        time(MODIFIED.in(b, at), MODIFIED_FINER.intIn(b, at), MODIFIED_ZONE.intIn(b, at)),
                        time(ACCESSED.in(b, at), 0, ACCESSED_ZONE.intIn(b, at))),
                new Stream(
                        (STREAM_FLAGS.in(b, stream) & 2) != 0,
                        Math.min(written, size),
                        FIRST_CLUSTER.in(b, stream),
                        size),
                name.substring(0, characters),
                entries));
    }

    /** EXFAT section 6.3.3: over all bytes but the checksum itself, of the entries as they are when in use. */
    private static int checksum(byte[] b, int at, int entries) {
        int sum = 0;
        for (int i = 0; i < entries * SIZE; i++) {
            if (i == 2 || i == 3) {
                continue;
            }
            int value = u8(b, at + i) | (i % SIZE == 0 ? IN_USE : 0);
            sum = ((sum & 1) << 15 | sum >> 1) + value & 0xffff;
        }
        return sum;
    }

    /**
     * EXFAT sections 7.4.8 and 7.4.10: as in FAT, with 10 ms; the offset in quarters of an hour where its bit 7 says
     * so, else UTC is assumed.
     */
    private static @Nullable Instant time(long value, int tenMillis, int offset) {
        int quarters = (offset & 0x80) != 0 ? (offset << 25) >> 25 : 0;
        try {
            return LocalDateTime.of(
                            (int) (1980 + (value >> 25)),
                            (int) (value >> 21 & 15),
                            (int) (value >> 16 & 31),
                            (int) (value >> 11 & 31),
                            (int) (value >> 5 & 63),
                            (int) Math.min(59, (value & 31) * 2))
                    .toInstant(ZoneOffset.UTC)
                    .plusMillis(Math.min(tenMillis, 199) * 10L)
                    .minusSeconds(quarters * 900L);
        } catch (DateTimeException e) {
            return null;
        }
    }

    /** Whether a sector begins like a set: a file, in use or not, and its stream. */
    static boolean begins(byte[] b, int i) {
        return (u8(b, i) & ~IN_USE) == FILE
                && (u8(b, i + SIZE) & ~IN_USE) == STREAM
                && u8(b, i + 1) >= 2
                && u8(b, i + 1) < MOST;
    }
}
