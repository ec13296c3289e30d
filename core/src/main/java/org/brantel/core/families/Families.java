package org.brantel.core.families;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.filesystem.Damaged;
import org.brantel.core.filesystem.Family;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.filesystem.RecordShape;
import org.brantel.core.filesystem.exfat.ExfatFamily;
import org.brantel.core.filesystem.ext.ExtFamily;
import org.brantel.core.filesystem.fat.FatFamily;
import org.brantel.core.filesystem.ntfs.NtfsFamily;
import org.brantel.core.filesystem.optical.IsoFamily;
import org.brantel.core.filesystem.optical.UdfFamily;
import org.brantel.core.filesystem.recognised.RecognisedFamily;
import org.brantel.core.source.Source;

/** The families of file systems that the engine knows. A new family is one package and one line here. */
public final class Families {

    /** The most telling heads first: what stands behind them may be left from before a format. */
    public static final List<Family> ALL = List.of(
            new NtfsFamily(),
            new ExfatFamily(),
            new ExtFamily(),
            new FatFamily(),
            new UdfFamily(),
            new IsoFamily(),
            new RecognisedFamily());

    private Families() {}

    /** How far into a volume its head may stand, whatever its family; ascending, in bytes. */
    public static List<Integer> headsAt() {
        return ALL.stream()
                .flatMap(f -> f.headsAt().stream())
                .distinct()
                .sorted()
                .toList();
    }

    /** The family whose volumes call themselves so; empty for a name that none has. */
    public static Optional<Family> named(String fs) {
        return ALL.stream().filter(f -> f.names().contains(fs)).findFirst();
    }

    /** How a record of a file is shown. */
    public static RecordShape describe(String fs) {
        return named(fs).map(f -> f.describe(fs)).orElse(RecordShape.UNKNOWN);
    }

    /**
     * Opens the volume that begins at a place.
     *
     * @param room where it may lie: its partition, or the medium from there on
     * @throws ParseFailure   with field, place and value, when no family knows it
     * @throws ByteView.Unread when its head was not read
     */
    public static FileSystem open(Source source, Range room) throws IOException {
        ParseFailure told = null;
        ByteView.Unread unread = null;
        for (Family family : ALL) {
            try {
                return family.open(source, room);
            } catch (ParseFailure e) {
                told = told == null || e instanceof Damaged && !(told instanceof Damaged) ? e : told;
            } catch (ByteView.Unread e) {
                unread = e;
            }
        }
        if (unread != null) {
            throw unread;
        }
        throw told;
    }

    public static boolean recognises(Source source, Range room) throws IOException {
        try {
            open(source, room);
            return true;
        } catch (ParseFailure | ByteView.Unread e) {
            return false;
        }
    }

    /** Opens the volume of which a copy of the head stands at a place. */
    public static Optional<FileSystem> openByCopy(Source source, long place) throws IOException {
        for (Family family : ALL) {
            Optional<FileSystem> volume = family.openByCopy(source, place);
            if (volume.isPresent()) {
                return volume;
            }
        }
        return Optional.empty();
    }
}
