package org.brantel.server.recovery;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.finding.Prognosis;
import org.brantel.server.work.Standing;
import org.jspecify.annotations.Nullable;

/** What others see of recovery. */
public final class RecoveryViews {

    private RecoveryViews() {}

    public record Run(
            long id,
            String caseNumber,
            @JsonUnwrapped Standing standing,
            @JsonUnwrapped Outcome outcome) {}

    /**
     * What became of the files so far.
     *
     * @param total    files of the selection, {@code done} of them tried
     * @param doubtful written, but their bytes may not all be their own
     */
    public record Outcome(int total, int done, int whole, int gapped, int doubtful, int notWritten, long bytes) {}

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

    /** What became of a file, in a word; a doubtful finding stays doubtful however well it was written. */
    enum Result {
        WHOLE,
        GAPPED,
        DOUBTFUL,
        NOT_WRITTEN;

        static Result of(Written outcome, Prognosis prognosis) {
            return switch (outcome) {
                case NOT_WRITTEN -> NOT_WRITTEN;
                case GAPPED -> GAPPED;
                case WHOLE -> prognosis == Prognosis.DOUBTFUL ? DOUBTFUL : WHOLE;
            };
        }
    }

    /** Every file of a run in one of four words. */
    public record Account(long whole, Some gapped, Some doubtful, Some missing) {}

    /** @param first a few of them, by path */
    public record Some(long files, List<File> first) {}
}
