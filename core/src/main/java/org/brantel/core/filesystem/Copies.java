package org.brantel.core.filesystem;

import java.io.IOException;
import java.util.Optional;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.source.Source;

/** Volumes that are known by a copy of their head at a fixed distance behind it. */
public final class Copies {

    private static final int SMALLEST_SECTOR = 512;
    private static final int LARGEST_SECTOR = 4096;

    private Copies() {}

    /**
     * Opens the volume that begins some sectors, of whatever size, before a place.
     *
     * @param sector in which the copy stands
     */
    public static Optional<FileSystem> inSector(int sector, Source source, long place, Family family)
            throws IOException {
        for (int sectorBytes = SMALLEST_SECTOR; sectorBytes <= LARGEST_SECTOR; sectorBytes *= 2) {
            long start = place - (long) sector * sectorBytes;
            if (start >= 0) {
                try {
                    return Optional.of(family.open(source, new Range(start, source.size() - start)));
                } catch (ParseFailure | ByteView.Unread e) {
                    // Sectors of another size, then.
                }
            }
        }
        return Optional.empty();
    }
}
