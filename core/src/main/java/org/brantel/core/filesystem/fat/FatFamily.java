package org.brantel.core.filesystem.fat;

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

/** FAT12, FAT16 and FAT32: heads and the copy that FAT32 keeps, folders and their entries in free space. */
public final class FatFamily implements Family {

    /** The first cluster of a folder: entries for itself and its parent. */
    private static final Signs.Sign FOLDER = new Signs.Sign("the first cluster of a FAT folder");
    /** A later cluster of a folder: nothing but entries. */
    private static final Signs.Sign ENTRIES = new Signs.Sign("entries of a FAT folder");

    @Override
    public Set<String> names() {
        return Set.of("fat12", "fat16", "fat32");
    }

    @Override
    public FileSystem open(Source source, Range room) throws IOException {
        return FatReader.open(source, room);
    }

    @Override
    public void sign(byte[] b, int i, long at, Signs signs) {
        if (BootSector.couldBegin(b, i)) {
            signs.add(Signs.HEAD, at);
        }
        if (EntrySigns.beginsFolder(b, i)) {
            signs.add(FOLDER, at);
        } else if (EntrySigns.areEntries(b, i)) {
            signs.add(ENTRIES, at);
        }
    }

    @Override
    public Optional<FileSystem> openByCopy(Source source, long place) throws IOException {
        return Copies.inSector(BootSector.COPY_SECTOR, source, place, this);
    }

    @Override
    public List<Remains> earlier(Source source, FileSystem volume, Walked left, Signs signs) throws IOException {
        return volume instanceof FatReader fat
                ? LostFolders.in(source, fat, left.free(), left.folders(), signs.of(FOLDER), signs.of(ENTRIES)).stream()
                        .map(l -> new Remains(l, "its folders, found in free space", l.belongToTheVolume()))
                        .toList()
                : List.of();
    }

    @Override
    public List<Remains> headless(Source source, List<Range> gaps, Signs signs) throws IOException {
        long[] folders = signs.of(FOLDER);
        Optional<FatReader> rebuilt = FatReader.rebuilt(source, gaps, folders);
        return rebuilt.isPresent()
                ? List.of(Remains.volume(rebuilt.get(), "its allocation tables and folders"))
                : LostFolders.alone(source, gaps, folders, signs.of(ENTRIES)).stream()
                        .map(l -> Remains.volume(l, "its folders"))
                        .toList();
    }

    @Override
    public RecordShape describe(String fs) {
        return EntryFields.shape(fs.equals("fat32"));
    }
}
