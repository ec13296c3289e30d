package org.brantel.core.filesystem.exfat;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Copies;
import org.brantel.core.filesystem.Family;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.RecordShape;
import org.brantel.core.filesystem.Signs;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.source.Source;

/** exFAT: heads and their copies, and sets of entries in free space. */
public final class ExfatFamily implements Family {

    private static final Signs.Sign ENTRIES = new Signs.Sign("a set of exFAT entries");

    @Override
    public Set<String> names() {
        return Set.of("exfat");
    }

    @Override
    public FileSystem open(Source source, Range room) throws IOException {
        return ExfatReader.open(source, room);
    }

    @Override
    public void sign(byte[] b, int i, long at, Signs signs) {
        if (EntrySet.begins(b, i)) {
            signs.add(ENTRIES, at);
        } else if (BootSector.begins(b, i)) {
            signs.add(Signs.HEAD, at);
        }
    }

    @Override
    public Optional<FileSystem> openByCopy(Source source, long place) throws IOException {
        return Copies.inSector(BootSector.COPY_SECTOR, source, place, this);
    }

    @Override
    public List<Remains> earlier(Source source, FileSystem volume, Walked left, Signs signs) throws IOException {
        return volume instanceof ExfatReader exfat
                ? LostEntries.in(source, exfat, left.free(), left.folders(), signs.of(ENTRIES)).stream()
                        .map(e -> Remains.volume(e, "its folders, found in free space"))
                        .toList()
                : List.of();
    }

    @Override
    public RecordShape describe(String fs) {
        return EntrySetFields.SHAPE;
    }
}
