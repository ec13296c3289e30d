package org.brantel.core.filesystem;

import java.time.Instant;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.jspecify.annotations.Nullable;

/**
 * What the head of a volume says.
 *
 * @param fs           {@code fat12}, {@code fat16}, {@code fat32}, {@code exfat}, {@code ntfs}, {@code ext2}, …
 * @param label        as people named it; empty without one
 * @param serial       its serial number or identifier in the family's own writing; empty without one
 * @param place        where it lies; may reach beyond the medium
 * @param clusterBytes bytes of its unit of allocation; 0 where it has none
 * @param made         when it was made, where that is kept or follows from its records
 * @param read         whether the engine reads its files
 * @param remarks      what else its head says: state, damage
 */
public record VolumeFacts(
        String fs,
        String label,
        String serial,
        Range place,
        long clusterBytes,
        @Nullable Instant made,
        boolean read,
        List<Remark> remarks) {

    public VolumeFacts {
        remarks = List.copyOf(remarks);
    }
}
