package org.brantel.core.filesystem;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.brantel.core.filesystem.exfat.ExfatReader;
import org.brantel.core.filesystem.ext.ExtReader;
import org.brantel.core.filesystem.fat.FatReader;
import org.brantel.core.filesystem.ntfs.NtfsReader;
import org.brantel.core.filesystem.optical.IsoReader;
import org.brantel.core.filesystem.optical.UdfReader;
import org.brantel.core.source.ByteView;
import org.brantel.core.source.Range;
import org.brantel.core.source.Source;

/** The families of file systems that the engine knows. A new family is one package and one line here. */
public final class FileSystems {

    /** How a family's volume is opened at a place. */
    @FunctionalInterface
    private interface Opener {
        FileSystem open(Source source, Range room) throws IOException;
    }

    /** The most telling heads first: what stands behind them may be left from before a format. */
    private static final List<Opener> FAMILIES = List.of(
            NtfsReader::open,
            ExfatReader::open,
            ExtReader::open,
            FatReader::open,
            UdfReader::open,
            IsoReader::open,
            Recognised::open);

    private FileSystems() {}

    /**
     * Opens the volume that begins at a place.
     *
     * @param room where it may lie: its partition, or the medium from there on
     * @throws NotThisFormat   with field, place and value, when no family knows it
     * @throws ByteView.Unread when its head was not read
     */
    public static FileSystem open(Source source, Range room) throws IOException {
        NotThisFormat told = null;
        ByteView.Unread unread = null;
        for (Opener family : FAMILIES) {
            try {
                return family.open(source, room);
            } catch (NotThisFormat e) {
                told = told == null || e.isTelling() && !told.isTelling() ? e : told;
            } catch (ByteView.Unread e) {
                unread = e;
            }
        }
        if (unread != null) {
            throw unread;
        }
        throw told;
    }

    /**
     * Opens the volume of which a copy of the head stands at a place: behind an NTFS volume's last sector, in sector 6
     * of FAT32, in sector 12 of exFAT.
     */
    public static Optional<FileSystem> openByCopy(Source source, long place) throws IOException {
        try {
            return Optional.of(NtfsReader.openByCopy(source, place));
        } catch (NotThisFormat | ByteView.Unread e) {
            return atDistance(source, place);
        }
    }

    private static Optional<FileSystem> atDistance(Source source, long place) throws IOException {
        for (int sectorBytes = 512; sectorBytes <= 4096; sectorBytes *= 2) {
            for (int sectors : new int[] {FatReader.COPY_SECTOR, ExfatReader.COPY_SECTOR}) {
                long start = place - (long) sectors * sectorBytes;
                if (start < 0) {
                    continue;
                }
                Range room = new Range(start, source.size() - start);
                try {
                    return Optional.of(
                            sectors == FatReader.COPY_SECTOR
                                    ? FatReader.open(source, room)
                                    : ExfatReader.open(source, room));
                } catch (NotThisFormat | ByteView.Unread e) {
                    // The next one may be readable.
                }
            }
        }
        return Optional.empty();
    }

    /** Opens the volume that a superblock of the ext family, or a copy of one, tells of. */
    public static Optional<FileSystem> openBySuperblock(Source source, long place) throws IOException {
        try {
            return Optional.of(ExtReader.openByCopy(source, place));
        } catch (NotThisFormat | ByteView.Unread e) {
            return Optional.empty();
        }
    }

    public static boolean recognises(Source source, Range room) throws IOException {
        try {
            open(source, room);
            return true;
        } catch (NotThisFormat | ByteView.Unread e) {
            return false;
        }
    }
}
