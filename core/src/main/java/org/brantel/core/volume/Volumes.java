package org.brantel.core.volume;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.families.Families;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/** The volumes that a medium lists: the medium itself, or those of its partition table; each with its reader. */
public final class Volumes {

    /** A volume with the reader that knows its file system. */
    public record Found(Volume volume, FileSystem reader) {

        /** The same under another number. */
        Found numbered(int index) {
            return new Found(Volume.of(index, reader.facts(), volume.state(), volume.foundBy()), reader);
        }
    }

    private Volumes() {}

    /** @param problems told what is malformed, and which partitions no reader knows */
    public static List<Found> listed(Source source, List<String> problems) throws IOException {
        List<Found> found = new ArrayList<>();
        if (take(source, new Range(0, source.size()), "its head at the start of the medium", found, null)) {
            return found;
        }
        for (Partition partition : PartitionTables.read(source, problems)) {
            take(source, partition.range(), partition.foundBy(), found, problems);
        }
        return found;
    }

    private static boolean take(
            Source source, Range where, String foundBy, List<Found> found, @Nullable List<String> problems)
            throws IOException {
        try {
            FileSystem reader = Families.open(source, where);
            found.add(new Found(Volume.of(found.size(), reader.facts(), Volume.State.LIVE, foundBy), reader));
            return true;
        } catch (ParseFailure e) {
            if (problems != null) {
                problems.add("The volume of " + foundBy + " is not read: " + e.getMessage() + ".");
            }
        } catch (ByteView.Unread e) {
            if (problems != null) {
                problems.add("The head of " + foundBy + " was not read.");
            }
        }
        return false;
    }
}
