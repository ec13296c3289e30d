package org.brantel.server.catalogue;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Standing;
import org.brantel.core.finding.Verdict;
import org.brantel.core.question.Question;
import org.brantel.core.wanted.WantedLine;
import org.brantel.core.wanted.WantedTally;
import org.brantel.server.remark.RemarkViews;
import org.jspecify.annotations.Nullable;

/** What others see of a catalogue. */
public final class CatalogueViews {

    private CatalogueViews() {}

    /**
     * One content of the catalogue.
     *
     * @param about what its content says of itself
     */
    public record Line(
            long id,
            @JsonUnwrapped Called called,
            @JsonUnwrapped Verdict verdict,
            @JsonUnwrapped Stored stored,
            @JsonUnwrapped Found found,
            @JsonUnwrapped Asked asked,
            @JsonUnwrapped Lab lab,
            Map<String, String> about) {}

    /**
     * What the lab does with it.
     *
     * @param remark absent where nothing is remarked on it
     * @param look   what tells a picture from others, in 32 hexadecimal digits of which few differ where two are nearly
     *               the same; absent where it was not drawn yet or is too plain
     */
    public record Lab(
            boolean selected,
            RemarkViews.@Nullable Remark remark,
            @Nullable String look) {

        static final Lab NOTHING = new Lab(false, null, null);
    }

    /**
     * What it is called.
     *
     * @param suggestedName from what its content says; absent where a record names it or the content says nothing
     * @param stands        where it stands for those whose it is; absent where no record names it
     */
    public record Called(
            @Nullable String path,
            String name,
            @Nullable String suggestedName,
            @Nullable Place stands) {}

    /**
     * @param folder  within its volume, parts joined by '/'; empty for the top
     * @param trashed whether it lies in the trash, and was deleted from there
     */
    public record Place(String folder, String name, boolean trashed) {

        static @Nullable Place of(@Nullable Standing stands) {
            return stands == null ? null : new Place(stands.folder(), stands.name(), stands.trashed());
        }
    }

    /**
     * What it is and where it lies.
     *
     * @param device    of the case that its bytes are on
     * @param imagingId session whose image holds it
     * @param elsewhere the lab that has that image, so that none of its bytes are here; absent where it is ours
     * @param readBytes how many of its bytes are in that image
     */
    public record Stored(
            long device,
            long imagingId,
            @Nullable String elsewhere,
            String kind,
            long size,
            long readBytes,
            List<Extent> extents,
            @Nullable String sha256,
            @JsonUnwrapped Dates dates) {}

    /** @param made as its content says, by the clock of what made it; else as its record says, in UTC */
    public record Dates(
            @Nullable Instant created,
            @Nullable Instant modified,
            @Nullable LocalDateTime made) {}

    /**
     * Who found it.
     *
     * @param places   every path that a record gives this content
     * @param sessions scan sessions that found it
     * @param devices  of the case on which they found it
     * @param record   what else its record says
     * @param versions how each session found it, by its number
     */
    public record Found(
            List<String> origins,
            List<String> places,
            List<Long> sessions,
            List<Long> devices,
            RecordFacts record,
            Map<String, Version> versions) {}

    /**
     * Whose it may be.
     *
     * @param wanted wanted lines that it fits, {@code mayFit} those of which nobody can say
     * @param fits   what can be said of it and each wanted line
     */
    public record Asked(List<Long> wanted, List<Long> mayFit, List<LineFit> fits) {}

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
     * @param missing  hoped for and not among what fits
     * @param complete delivered whole and confirmed
     * @param searched whether a scan came to its end, so that what is not among the findings is missed
     */
    public record WantedState(WantedLine line, WantedTally tally, long missing, boolean complete, boolean searched) {

        static WantedState of(WantedLine line, WantedTally tally, boolean searched) {
            return new WantedState(line, tally, tally.missing(), tally.isComplete(), searched);
        }
    }

    public record SelectionSum(long files, long bytes, long whole, long gapped, long doubtful) {}

    /**
     * @param question as it was understood; absent where none is asked
     * @param contentShown false where the customer allowed names only: nothing that content says of itself is shown or
     *                     searched
     */
    public record Page(
            List<Line> lines,
            @JsonUnwrapped Counts counts,
            @Nullable Understood question,
            List<WantedState> wanted,
            SelectionSum selection,
            boolean contentShown) {}

    /**
     * @param matching lines that pass the filter; where that is not {@code exact}, at least so many
     * @param bytes    of the lines that pass; absent where they are not all counted
     * @param exact    false where more pass than are counted at once: then nothing is said by kind, origin or prognosis
     * @param kinds    counts of the lines that pass, by kind; so for origins and prognoses
     */
    public record Counts(
            long matching,
            boolean exact,
            @Nullable Long bytes,
            long all,
            Map<String, Long> kinds,
            Map<String, Long> origins,
            Map<String, Long> prognoses) {

        static Counts of(FacetCounts counts, CatalogueFilter filter, long all) {
            return new Counts(
                    counts.matching(filter),
                    true,
                    counts.bytes(filter),
                    all,
                    counts.kinds(filter),
                    counts.origins(filter),
                    counts.prognoses(filter));
        }

        static Counts atLeast(long matching, long all) {
            return new Counts(matching, false, null, all, Map.of(), Map.of(), Map.of());
        }
    }

    /**
     * How a question was understood, by its parts.
     *
     * @param words that were asked; places of the parts are places in them
     */
    public record Understood(String words, List<Question.Part> parts, List<Question.Problem> problems) {

        static @Nullable Understood of(@Nullable Question question) {
            return question == null ? null : new Understood(question.words(), question.parts(), question.problems());
        }
    }
}
