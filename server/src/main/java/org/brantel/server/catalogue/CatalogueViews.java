package org.brantel.server.catalogue;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.wanted.WantedLine;
import org.brantel.core.wanted.WantedTally;

/** What others see of a catalogue. */
public final class CatalogueViews {

    private CatalogueViews() {}

    /**
     * @param places   every path that a record gives this content
     * @param sessions scan sessions that found it
     * @param wanted   wanted lines that it fits, {@code mayFit} those of which nobody can say
     * @param fits     what can be said of it and each wanted line
     * @param record   what else its record says
     * @param suggestedName from what its content says; absent where a record names it or the content says nothing
     * @param about    what its content says of itself
     * @param versions how each session found it, by its number
     */
    public record Line(
            long id,
            @Nullable String path,
            String name,
            String kind,
            long size,
            List<String> origins,
            Prognosis prognosis,
            int score,
            long provenBytes,
            List<String> reasons,
            List<Extent> extents,
            @Nullable Instant created,
            @Nullable Instant modified,
            @Nullable String sha256,
            List<String> places,
            List<Long> sessions,
            List<Long> wanted,
            List<Long> mayFit,
            List<LineFit> fits,
            boolean selected,
            RecordFacts record,
            @Nullable String suggestedName,
            Map<String, String> about,
            Map<String, Version> versions) {}

    /**
     * How one session found a file.
     *
     * @param rank the smaller the better
     */
    public record Version(
            int rank,
            Prognosis prognosis,
            int score,
            Origin origin,
            @Nullable String path) {}

    /**
     * @param verdict fits, may-fit or not
     * @param why empty where the customer allowed no look at what decides it
     */
    public record LineFit(long line, String verdict, String why) {}

    /**
     * How a wanted line stands, from hoped for to delivered.
     * @param missing hoped for and not among what fits @param
     * complete delivered whole and confirmed
     */
    public record WantedState(WantedLine line, WantedTally tally, long missing, boolean complete) {

        public static WantedState of(WantedLine line, WantedTally tally) {
            return new WantedState(line, tally, tally.missing(), tally.isComplete());
        }
    }

    public record SelectionSum(long files, long bytes, long whole, long gapped, long doubtful) {}

    /**
     * @param matching lines that pass the filter
     * @param contentShown false where the customer allowed names only: nothing that content says of itself is shown or
     *                     searched
     * @param kinds    counts of the lines that pass, by kind; so for origins and prognoses
     */
    public record Page(
            List<Line> lines,
            long matching,
            long all,
            Map<String, Long> kinds,
            Map<String, Long> origins,
            Map<String, Long> prognoses,
            List<WantedState> wanted,
            SelectionSum selection,
            boolean contentShown) {}

    /** @param type {@code picture}, {@code text} or {@code none} */
    public record Preview(String type, @Nullable String text, String words) {}
}
