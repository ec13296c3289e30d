package org.brantel.core.filesystem.ntfs;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.content.FileContent;
import org.brantel.core.filesystem.FileRecord;
import org.brantel.core.filesystem.Judge;
import org.brantel.core.filesystem.Problems;
import org.brantel.core.filesystem.Space;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.finding.Origin;

/**
 * One walk over a volume, twice over its file table: first for folders and for what live files hold, then for the
 * files. A folder may stand behind its files, so no path is known before the first round is over.
 */
final class NtfsWalk {

    /** The file system's own files are no loss (NTFS3 "enum MFT_REC"). */
    private static final int FIRST_USER = 16;

    private static final long LOG = 2;
    private static final long EXTEND = 11;
    private static final String JOURNAL = "$UsnJrnl";

    private final MasterFileTable table;
    private final Space space;
    private final Walk walk;
    private final Folders folders = new Folders();
    private final Remembered remembered = new Remembered();
    private final Judge judge;
    private final char[] sequences;
    private final boolean[] inUse;
    private final List<FileRecord> deleted = new ArrayList<>();
    private long journal = -1;
    /**
     * Bytes of indexes that are left to look at: each place on a medium holds one only once, whatever records claim.
     */
    private long indexRoom;

    NtfsWalk(MasterFileTable table, Space space, Walk walk, Problems problems) {
        this.table = table;
        this.space = space;
        this.walk = walk;
        judge = new Judge(table.source(), space, walk, false);
        indexRoom = table.source().size();
        int records = (int) Math.min(table.records(), Integer.MAX_VALUE - 8);
        sequences = new char[records];
        inUse = new boolean[records];
    }

    Walked run() throws IOException {
        table.forEach(true, this::firstRound);
        if (!walk.stopped()) {
            otherMemories();
            table.forEach(false, this::secondRound);
        }
        if (!walk.stopped()) {
            deleted.addAll(remembered.lost(this::knows, folders));
            judge.gone(deleted, Origin.DELETED);
        }
        return Walked.of(space.free(table.source().size()));
    }

    private boolean firstRound(MftRecord record) throws IOException {
        int number = (int) record.number();
        sequences[number] = (char) record.sequence();
        inUse[number] = record.inUse();
        if (record.inUse()) {
            for (Attribute a : record.attributes()) {
                if (!a.resident() && a.extents() != null) {
                    judge.claim(a.extents(), null);
                }
            }
        }
        if (record.base() == 0 && record.folder()) {
            Optional<FileName> name = RecordFiles.nameOf(record);
            name.ifPresent(n -> folders.add(record.number(), record.sequence(), record.inUse(), n));
            slack(record);
        } else if (journal < 0 && record.inUse()) {
            RecordFiles.nameOf(record)
                    .filter(n -> n.parent() == EXTEND && n.name().equals(JOURNAL))
                    .ifPresent(n -> journal = record.number());
        }
        return !walk.stopped();
    }

    /** Names in the unused ends of a folder's index. */
    private void slack(MftRecord folder) throws IOException {
        String from = "the slack of its folder's index";
        for (Attribute a : folder.attributes()) {
            if (a.type() == Attribute.INDEX_ALLOCATION && !a.resident() && a.extents() != null) {
                List<Extent> index = Extents.stored(a.extents(), indexRoom);
                indexRoom -= Extents.length(index);
                IndexSlack.scan(table.source(), table.boot(), index, table.records(), e -> remembered.take(e, from));
            }
        }
        folder.first(Attribute.INDEX_ROOT)
                .filter(Attribute::resident)
                .ifPresent(a -> Entries.scan(
                        folder.bytes(),
                        a.valueAt() + (int) Math.min(a.size(), 32),
                        folder.bytes().length,
                        table.records(),
                        e -> remembered.take(e, from)));
    }

    private void otherMemories() throws IOException {
        AttributeList lists = new AttributeList(table);
        Optional<MftRecord> log = table.record(LOG);
        if (log.isPresent()) {
            List<Extent> extents =
                    Extents.stored(lists.dataOf(log.get(), ""), table.source().size());
            LogPages.scan(
                    new FileContent(table.source(), extents, Extents.length(extents), null),
                    table.records(),
                    e -> remembered.take(e, "the log"));
        }
        Optional<MftRecord> changes = journal < 0 ? Optional.empty() : table.record(journal);
        if (changes.isPresent()) {
            List<Extent> extents = Extents.stored(
                    lists.dataOf(changes.get(), "$J"), table.source().size());
            ChangeJournal.read(
                    new FileContent(table.source(), extents, Extents.length(extents), null), extents, remembered::take);
        }
        remembered.folders(folders);
    }

    private boolean knows(long number, int sequence) {
        if (number >= sequences.length) {
            return false;
        }
        int now = sequences[(int) number];
        return inUse[(int) number] ? now == sequence : now == (sequence + 1 & 0xffff) || now == sequence;
    }

    private boolean secondRound(MftRecord record) throws IOException {
        if (record.base() != 0 || record.number() < FIRST_USER || isUnused(record)) {
            return !walk.stopped();
        }
        int listed = record.inUse() ? record.sequence() : record.sequence() - 1;
        RecordFiles files = new RecordFiles(table, folders);
        for (RecordFiles.Listed named : files.of(record, remembered.name(record.number(), listed))) {
            FileRecord file = named.file();
            if (file.isBelow("/$Extend")) {
                continue;
            }
            if (record.inUse()) {
                judge.live(file);
            } else {
                deleted.add(file.deletedAt(remembered.deletion(record.number(), listed)));
            }
        }
        return !walk.stopped();
    }

    /** Records that were never given to a file carry no attributes worth a name. */
    private static boolean isUnused(MftRecord record) {
        return !record.inUse()
                && record.first(Attribute.FILE_NAME).isEmpty()
                && record.first(Attribute.DATA).isEmpty();
    }
}
