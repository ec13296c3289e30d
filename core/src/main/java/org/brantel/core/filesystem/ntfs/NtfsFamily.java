package org.brantel.core.filesystem.ntfs;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Family;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.filesystem.RecordShape;
import org.brantel.core.filesystem.Signs;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.source.Source;

/** NTFS: heads and their copies, records of its file table, what records in free space say of before a format. */
public final class NtfsFamily implements Family {

    private static final Signs.Sign RECORD = new Signs.Sign("a record of an NTFS file table");

    @Override
    public Set<String> names() {
        return Set.of("ntfs");
    }

    @Override
    public FileSystem open(Source source, Range room) throws IOException {
        return NtfsReader.open(source, room);
    }

    @Override
    public void sign(byte[] b, int i, long at, Signs signs) {
        if (MftRecord.begins(b, i)) {
            signs.add(RECORD, at);
        } else if (BootSector.begins(b, i)) {
            signs.add(Signs.HEAD, at);
        }
    }

    /** The copy stands behind the volume's last sector. */
    @Override
    public Optional<FileSystem> openByCopy(Source source, long place) throws IOException {
        try {
            return Optional.of(NtfsReader.openByCopy(source, place));
        } catch (ParseFailure | ByteView.Unread e) {
            return Optional.empty();
        }
    }

    @Override
    public List<Remains> earlier(Source source, FileSystem volume, Walked left, Signs signs) throws IOException {
        return volume instanceof NtfsReader ntfs
                ? EarlierNtfs.in(source, ntfs, left.free(), signs.of(RECORD)).stream()
                        .map(e -> Remains.volume(e, "records of its file table in free space"))
                        .toList()
                : List.of();
    }

    @Override
    public List<Remains> headless(Source source, List<Range> gaps, Signs signs) throws IOException {
        List<Remains> found = new ArrayList<>();
        for (NtfsReader rebuilt : NtfsReader.rebuilt(source, signs.of(RECORD))) {
            found.add(Remains.volume(rebuilt, "the first record of its file table"));
        }
        return found;
    }

    @Override
    public RecordShape describe(String fs) {
        return MftRecordFields.SHAPE;
    }
}
