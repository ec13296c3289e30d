package org.brantel.core.recovery;

import java.util.List;
import org.brantel.core.bytes.Range;
import org.jspecify.annotations.Nullable;

/**
 * What became of one selected finding; a line of results.ndjson, version 1 (docs/formats.md).
 *
 * @param id      of the finding
 * @param path    relative to the destination; null when nothing was written
 * @param outcome see {@link Outcome}
 * @param sha256  of the written file, equal when read back; null when nothing stands
 * @param gaps    offsets in the file that were never read and hold zeros
 * @param why     in words; null when whole
 */
public record RecoveryResult(
        long id,
        @Nullable String path,
        long size,
        Outcome outcome,
        @Nullable String sha256,
        List<Range> gaps,
        @Nullable String why) {

    /** In words that a manifest uses. */
    public enum Outcome {
        /** Written and read back equal. */
        WHOLE,
        /** Written and read back equal, with listed gaps. */
        GAPPED,
        /** Nothing stands; the reason says why. */
        NOT_WRITTEN
    }

    public RecoveryResult {
        gaps = gaps == null ? List.of() : List.copyOf(gaps);
    }

    public boolean stands() {
        return outcome != Outcome.NOT_WRITTEN;
    }
}
