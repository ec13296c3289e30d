package org.brantel.core.filesystem;

import java.time.Instant;
import java.util.List;
import org.brantel.core.content.Packing;
import org.brantel.core.finding.RecordFacts;

/**
 * One file as the records of its file system tell it, before anybody judged its bytes.
 *
 * @param path      absolute within the volume
 * @param nameWhole false when its first letter is lost
 * @param placement where its bytes are
 * @param packing   null for content that stands as it is
 * @param faults    what is wrong with its record, in sentences
 */
public record FileRecord(
        String path,
        String name,
        boolean nameWhole,
        long size,
        Placement placement,
        Packing packing,
        Instant created,
        Instant modified,
        Instant accessed,
        List<String> faults,
        RecordFacts facts) {

    public FileRecord {
        faults = List.copyOf(faults);
    }

    /** The last thing that was done to its content, as far as its record says; null when it does not. */
    public Instant written() {
        return created == null || modified != null && modified.isAfter(created) ? modified : created;
    }
}
