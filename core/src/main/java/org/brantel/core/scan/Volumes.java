package org.brantel.core.scan;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.filesystem.fat.FatReader;
import org.brantel.core.filesystem.fat.NotFatException;
import org.brantel.core.source.ByteView;
import org.brantel.core.source.Range;
import org.brantel.core.source.Source;
import org.brantel.core.volume.PartitionTable;
import org.brantel.core.volume.Volume;

/** Finds the volumes of a medium and the reader for each. */
public final class Volumes {

    /** A volume with the reader that knows its file system. */
    public record Found(Volume volume, FatReader reader) { }

    private Volumes() { }

    /** @param problems told what is malformed, and which partitions no reader knows */
    public static List<Found> find(Source source, List<String> problems) throws IOException {
        List<Found> found = new ArrayList<>();
        if (tryFat(source, new Range(0, source.size()), "boot sector at the start of the medium", found, null)) {
            return found;
        }
        for (PartitionTable.Entry entry : PartitionTable.read(source, problems)) {
            tryFat(source, entry.range(), "partition " + entry.number() + " of the master boot record", found, problems);
        }
        return found;
    }

    private static boolean tryFat(Source source, Range where, String foundBy, List<Found> found,
                                  List<String> problems) throws IOException {
        try {
            FatReader reader = FatReader.open(source, where);
            found.add(new Found(reader.describe(found.size(), foundBy), reader));
            return true;
        } catch (NotFatException e) {
            if (problems != null) {
                problems.add("The volume of " + foundBy + " is not read: " + e.getMessage() + ".");
            }
        } catch (ByteView.Unread e) {
            if (problems != null) {
                problems.add("The boot sector of " + foundBy + " was not read.");
            }
        }
        return false;
    }
}
