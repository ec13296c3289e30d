package org.brantel.core.scan;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.brantel.core.Engine;
import org.brantel.core.bytes.Range;
import org.brantel.core.source.Identity;
import org.brantel.core.volume.Volume;
import org.jspecify.annotations.Nullable;

/**
 * session.json, version 1: what a scan session did and found. The parts stand side by side in the file.
 *
 * @param scope what it was told to look at
 */
public record ScanReport(
        @JsonUnwrapped Edition edition,
        @JsonUnwrapped Medium medium,
        ScanMethod method,
        Map<String, Object> scope,
        @JsonUnwrapped Course course,
        List<Volume> volumes,
        @JsonUnwrapped Tally tally,
        @JsonUnwrapped Account account) {

    /** What wrote it. */
    public record Edition(String format, int version, String engine) {
        static final Edition PRESENT = new Edition(FORMAT, VERSION, Engine.VERSION);
    }

    /** What was looked at, in bytes. */
    public record Medium(String source, Identity identity, long size) {}

    /**
     * @param started  ISO 8601, UTC
     * @param finished false when it was stopped; the findings up to then stand
     */
    public record Course(String started, double seconds, boolean finished) {}

    /**
     * @param rejected  starts that looked like a kind but failed its check
     * @param joined    carving hits on bytes that a record already names
     * @param inVolumes what was found in each volume; empty in reports of older versions
     */
    public record Tally(
            long findings,
            Map<String, Long> kinds,
            Map<String, Long> origins,
            Map<String, Long> prognoses,
            long rejected,
            long joined,
            List<VolumeCounts> inVolumes) {

        public Tally {
            inVolumes = inVolumes == null ? List.of() : List.copyOf(inVolumes);
        }
    }

    /**
     * @param carved   bytes that need not be carved again for these kinds: {offset, length} each; null in reports of
     *                 older versions
     * @param claims   how much of the medium the findings claim; null in reports of older versions
     * @param problems what was malformed, and where
     */
    public record Account(List<long[]> carved, @Nullable Claimed claims, List<String> problems) {}

    /**
     * All in bytes, the latter two to about a block a finding.
     *
     * @param listed   the findings' sizes together
     * @param distinct places on the medium that at least one finding claims
     * @param again    claims on places that another finding claims, too
     * @param unstored what findings are larger than what is stored of them: holes, and what a file system packed
     */
    public record Claimed(long listed, long distinct, long again, long unstored) {}

    /** What a plan need not carve any more: nothing when this session looked for less, or another engine did. */
    public List<Range> carvedFor(ScanPlan plan, long sourceSize) {
        Object kindsThen = scope == null ? null : scope.get("kinds");
        boolean allKinds = !(kindsThen instanceof Collection<?> some)
                || some.isEmpty()
                || !plan.options().kinds().isEmpty()
                        && some.containsAll(plan.options().kinds());
        boolean allStarts = (!plan.options().everyByte() || did("everyByte"))
                && (!plan.options().nested() || did("nested"));
        if (account.carved() == null
                || !allKinds
                || !allStarts
                || !Engine.VERSION.equals(edition.engine())
                || size() != sourceSize) {
            return List.of();
        }
        return account.carved().stream()
                .filter(r -> r.length == 2 && r[0] >= 0 && r[1] > 0 && r[0] <= sourceSize - r[1])
                .map(r -> new Range(r[0], r[1]))
                .toList();
    }

    private boolean did(String what) {
        return scope != null && Boolean.TRUE.equals(scope.get(what));
    }

    public String started() {
        return course.started();
    }

    public boolean finished() {
        return course.finished();
    }

    public double seconds() {
        return course.seconds();
    }

    /** Bytes of the medium. */
    public long size() {
        return medium.size();
    }

    public long findings() {
        return tally.findings();
    }

    ScanReport withProblem(String what) {
        List<String> more =
                Stream.concat(account.problems().stream(), Stream.of(what)).toList();
        return with(new Account(account.carved(), account.claims(), more));
    }

    /** For showing: there may be very many of these ranges. */
    public ScanReport withoutCarved() {
        return with(new Account(List.of(), account.claims(), account.problems()));
    }

    private ScanReport with(Account other) {
        return new ScanReport(edition, medium, method, scope, course, volumes, tally, other);
    }

    public static final String FORMAT = "brantel-scan-session";
    public static final int VERSION = 1;
}
