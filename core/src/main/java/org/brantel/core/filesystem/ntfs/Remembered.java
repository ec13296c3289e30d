package org.brantel.core.filesystem.ntfs;

import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.brantel.core.filesystem.FileRecord;
import org.brantel.core.filesystem.Placement;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Times;
import org.jspecify.annotations.Nullable;

/**
 * Names and times of deletion that stand outside the file table: in the slack of indexes, in the log and in the change
 * journal.
 */
final class Remembered {

    /** @param from where the name stood, in words; null for what only tells a time */
    private record Memory(long number, int sequence, FileName name, String from) {}

    private static final int MOST = 2_000_000;

    private final Map<Long, Memory> names = new HashMap<>();
    private final Map<Long, Instant> deletions = new HashMap<>();

    private static long key(long number, int sequence) {
        return number << 16 | sequence & 0xffff;
    }

    void take(Entries.Entry entry, String from) {
        if (names.size() < MOST && entry.name().space() != FileName.SHORT_ONLY) {
            names.putIfAbsent(
                    key(entry.number(), entry.sequence()),
                    new Memory(entry.number(), entry.sequence(), entry.name(), from));
        }
    }

    void take(ChangeJournal.Change change) {
        long key = key(change.number(), change.sequence());
        if (names.size() < MOST) {
            FileName name = new FileName(
                    change.parent(),
                    change.parentSequence(),
                    Times.NONE,
                    0,
                    change.folder() ? 0x10000000L : 0,
                    1,
                    change.name());
            names.merge(
                    key,
                    new Memory(change.number(), change.sequence(), name, "the change journal"),
                    (a, b) -> a.name().size() > 0 ? a : b);
        }
        if (change.deleted() && deletions.size() < MOST) {
            deletions.put(key, change.when());
        }
    }

    /** @param sequence that the file had while it was listed */
    @Nullable
    FileName name(long number, int sequence) {
        Memory memory = names.get(key(number, sequence));
        return memory == null ? null : memory.name();
    }

    @Nullable
    Instant deletion(long number, int sequence) {
        return deletions.get(key(number, sequence));
    }

    /** Folders that only these names still know. */
    void folders(Folders folders) {
        for (Memory m : names.values()) {
            if (m.name().isFolder()) {
                folders.remember(m.number(), m.sequence(), m.name());
            }
        }
    }

    /** Answers whether a record, as it was with this sequence, still stands in the file table. */
    interface Table {
        boolean knows(long number, int sequence);
    }

    /** Files of which nothing but the name is left. */
    Collection<FileRecord> lost(Table table, Folders folders) {
        return names.values().stream()
                .filter(m -> !m.name().isFolder() && !table.knows(m.number(), m.sequence()))
                .map(m -> lost(m, folders))
                .toList();
    }

    private FileRecord lost(Memory m, Folders folders) {
        FileName n = m.name();
        String path = folders.of(n.parent(), n.parentSequence()).text() + n.name();
        RecordFacts facts = RecordFacts.NONE.deletedAt(deletion(m.number(), m.sequence()));
        return new FileRecord(
                Named.of(path, n.name()),
                true,
                n.size(),
                new Placement.Lost("its record was given to another file; its name stands in " + m.from()),
                null,
                n.times(),
                List.of(),
                facts);
    }
}
