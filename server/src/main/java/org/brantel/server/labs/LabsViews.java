package org.brantel.server.labs;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import com.fasterxml.jackson.annotation.JsonValue;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.brantel.core.custody.CustodyChain;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.work.Standing;
import org.jspecify.annotations.Nullable;

/** Cases between labs, as others see them. */
final class LabsViews {

    private LabsViews() {}

    /** @param compared how, and with whom */
    record Known(String lab, String compared, String who, Instant at) {}

    /**
     * @param sha256  of the file; absent until it is packed
     * @param takenAt when it was taken out last; absent while it was not
     */
    record Packing(
            long id,
            @JsonUnwrapped Standing standing,
            String forLab,
            String why,
            long bytes,
            @Nullable String sha256,
            @Nullable Instant takenAt) {}

    /**
     * Another lab's record of the case, as it came last.
     *
     * @param number that the lab gave the case
     * @param tears  where it is torn; none when every seam meets
     */
    record Elsewhere(
            String lab,
            String fingerprint,
            String number,
            Instant cameAt,
            List<CustodyEntry> entries,
            List<CustodyChain.Tear> tears) {}

    /**
     * What other labs have to do with a case.
     *
     * @param lab         this one's name
     * @param fingerprint of its key, to be read to the other lab
     * @param packings    newest first
     */
    record State(String lab, String fingerprint, List<Packing> packings, List<Elsewhere> elsewhere) {}

    /** How much of something a file brings. */
    record Brings(Travelling what, int all, int fresh) {}

    /** What a file brings. */
    enum Travelling {
        DEVICES,
        FACTS,
        NOTES,
        IMAGING,
        SCANS,
        ENTRIES;

        @JsonValue
        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * A custody record in a file.
     *
     * @param trouble what is wrong with it, each in a sentence
     */
    record Tape(String lab, String number, int entries, List<String> trouble) {}

    /**
     * What a file says.
     *
     * @param known     how its lab's key was compared before; absent for one that nobody compared yet
     * @param here      the number that the case has here already; absent for one that is new
     * @param differs   what of the intake is told otherwise there than here; ours stays
     */
    record Says(
            String lab,
            String fingerprint,
            String number,
            Instant packed,
            String by,
            String why,
            String customer,
            List<String> devices,
            List<Brings> brings,
            List<Tape> custody,
            @Nullable Known known,
            @Nullable String here,
            List<String> differs) {}

    /** What became of a file that came. */
    enum ArrivalState {
        LOOKED_AT,
        BROUGHT_IN,
        PUT_ASIDE;

        @JsonValue
        String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /**
     * A file that another lab sent.
     *
     * @param caseNumber that it was brought into; absent until then
     * @param decidedBy  who brought it in or put it aside
     */
    record Arrival(
            long id,
            String name,
            String sha256,
            long bytes,
            ArrivalState state,
            Says says,
            @Nullable String caseNumber,
            String who,
            Instant at,
            @Nullable String decidedBy,
            @Nullable Instant decidedAt) {}
}
