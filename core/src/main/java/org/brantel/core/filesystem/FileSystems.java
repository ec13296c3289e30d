package org.brantel.core.filesystem;

import java.io.IOException;
import java.util.List;
import org.brantel.core.filesystem.exfat.ExfatReader;
import org.brantel.core.filesystem.ext.ExtReader;
import org.brantel.core.filesystem.fat.FatReader;
import org.brantel.core.filesystem.ntfs.NtfsReader;
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

    /** The most telling heads first. The last speaks for what none of them knows. */
    private static final List<Opener> FAMILIES = List.of(NtfsReader::open, ExfatReader::open, ExtReader::open, FatReader::open);

    private FileSystems() { }

    /**
     * Opens the volume that begins at a place.
     *
     * @param room where it may lie: its partition, or the medium from there on
     * @throws NotThisFormat   with field, place and value, when no family knows it
     * @throws ByteView.Unread when its head was not read
     */
    public static FileSystem open(Source source, Range room) throws IOException {
        NotThisFormat last = null;
        ByteView.Unread unread = null;
        for (Opener family : FAMILIES) {
            try {
                return family.open(source, room);
            } catch (NotThisFormat e) {
                last = e;
            } catch (ByteView.Unread e) {
                unread = e;
            }
        }
        if (unread != null) {
            throw unread;
        }
        throw last;
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
