package org.brantel.server.recovery;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.finding.Prognosis;
import org.brantel.server.work.WorkState;

/** What others see of recovery. */
public final class RecoveryViews {

    private RecoveryViews() {}

    /**
     * @param doubtful written, but their bytes may not all be
     *              their own
     */
    public record Run(
            long id,
            String caseNumber,
            WorkState state,
            int total,
            int done,
            int whole,
            int gapped,
            int doubtful,
            int notWritten,
            long bytes,
            @Nullable String trouble,
            String who,
            Instant startedAt,
            @Nullable Instant endedAt) {}

    /**
     * @param line    of the catalogue
     * @param path    in the lab store; absent when nothing was written
     * @param gaps    offsets in the file that hold zeros
     */
    public record File(
            long line,
            @Nullable String path,
            String name,
            long size,
            Written outcome,
            Prognosis prognosis,
            @Nullable String sha256,
            List<Range> gaps,
            @Nullable String why) {}
}
