package org.brantel.core.filesystem.ntfs;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** FileTime count 100 ns from 1601-01-01 UTC (MS-DTYP section 2.3.3); no zone enters. */
final class FileTime {

    private static final long SECONDS_TO_1970 = 11_644_473_600L;
    private static final long TICKS = 10_000_000L;
    private static final Instant FIRST = Instant.parse("1980-01-01T00:00:00Z");
    private static final Instant LAST = Instant.parse("2100-01-01T00:00:00Z");

    private FileTime() {}

    /** Null for 0 and for what is before 1601. */
    static @Nullable Instant instant(long ticks) {
        return ticks <= 0 ? null : Instant.ofEpochSecond(ticks / TICKS - SECONDS_TO_1970, ticks % TICKS * 100);
    }

    static boolean isPlausible(@Nullable Instant time) {
        return time != null && time.isAfter(FIRST) && time.isBefore(LAST);
    }
}
