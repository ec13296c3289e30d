package org.brantel.server.recovery;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.brantel.core.bytes.Range;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.layout.Change;
import org.brantel.core.layout.Layout;
import org.brantel.core.layout.NameRules;
import org.brantel.server.work.Standing;
import org.jspecify.annotations.Nullable;

/** What others see of recovery. */
public final class RecoveryViews {

    private RecoveryViews() {}

    public record Run(
            long id,
            String caseNumber,
            @JsonUnwrapped Standing standing,
            @JsonUnwrapped Laying laying,
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
     * @param from    session whose image it was taken from; absent in runs of before that was kept
     * @param path    in the lab store; absent when nothing was written
     * @param name    that it was found under
     * @param stood   where it stood, name and all; absent where no record names it, and in runs of before that was kept
     * @param gaps    offsets in the file that hold zeros
     */
    public record File(
            long line,
            @Nullable Long from,
            @Nullable String path,
            String name,
            @Nullable String stood,
            long size,
            Written outcome,
            Prognosis prognosis,
            @Nullable String sha256,
            List<Range> gaps,
            @Nullable String why) {}

    /**
     * How files are laid out.
     *
     * @param opensOn the system whose rules their names follow
     */
    public record Laying(Layout layout, NameRules opensOn) {

        public Laying {
            layout = layout == null ? Layout.AS_IT_STOOD : layout;
            opensOn = opensOn == null ? NameRules.EVERY : opensOn;
        }
    }

    /**
     * How the selection would be laid out, seen from one of its folders, before anything is written.
     *
     * @param folders in the folder, by name
     * @param files   in it, by name; of very many the first
     * @param more    files of the folder that are not listed
     */
    record LaidOutView(
            @JsonUnwrapped Laying laying,
            Sum sum,
            String folder,
            List<LaidFolder> folders,
            List<LaidFile> files,
            long more) {}

    /**
     * The selection as a whole.
     *
     * @param folders     that it is laid out in
     * @param overwritten files of which nothing is left; they are accounted for, not written
     * @param room        bytes that are free in the lab store
     * @param changes     how many files had to be named otherwise, by what was changed
     */
    record Sum(long files, long bytes, long folders, long overwritten, long room, Map<Change, Long> changes) {}

    /** @param changed files in and below it whose names or folders could not stay */
    record LaidFolder(String name, long files, long bytes, long changed) {}

    /**
     * @param line    of the catalogue
     * @param name    that it gets
     * @param from    where it stood, or what it is called where no record names it
     * @param changes what of that could not stay
     */
    record LaidFile(long line, String name, String from, long size, Prognosis prognosis, Set<Change> changes) {}

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
