package org.brantel.core.filesystem.ntfs;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.brantel.core.content.Extent;
import org.brantel.core.source.Source;

/** Records by their number, and where they lie: of a file table, or of what a search found. */
interface Records {

    Source source();

    BootSector boot();

    Optional<MftRecord> record(long number) throws IOException;

    /** Where a stretch of a record lies in the source. */
    List<Extent> place(MftRecord record, int from, int length);
}
