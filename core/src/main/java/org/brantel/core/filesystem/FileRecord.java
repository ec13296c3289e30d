package org.brantel.core.filesystem;

import java.time.Instant;
import java.util.List;
import org.brantel.core.content.Packing;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Times;
import org.jspecify.annotations.Nullable;

/**
 * One file as the records of its file system tell it, before anybody judged its bytes.
 *
 * @param named     its path is absolute within the volume
 * @param nameWhole false when its first letter is lost
 * @param placement where its bytes are
 * @param packing   null for content that stands as it is
 * @param faults    what its record says against its bytes
 */
public record FileRecord(
        Named named,
        boolean nameWhole,
        long size,
        Placement placement,
        @Nullable Packing packing,
        Times times,
        List<Fault> faults,
        RecordFacts facts) {

    public FileRecord {
        faults = List.copyOf(faults);
    }

    /** Whether it lies in a folder of the volume, or in one below it. */
    public boolean isBelow(String folder) {
        String path = path();
        return path != null && path.startsWith(folder + "/");
    }

    public @Nullable String path() {
        return named.path();
    }

    public String name() {
        return named.name();
    }

    /** The same, deleted at a time that may be null. */
    public FileRecord deletedAt(@Nullable Instant when) {
        return new FileRecord(named, nameWhole, size, placement, packing, times, faults, facts.deletedAt(when));
    }

    /** The last thing that was done to its content, as far as its record says; null when it does not. */
    public @Nullable Instant written() {
        Instant created = times.created();
        Instant modified = times.modified();
        return created == null || modified != null && modified.isAfter(created) ? modified : created;
    }
}
