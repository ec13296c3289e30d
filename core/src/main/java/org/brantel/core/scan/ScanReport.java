package org.brantel.core.scan;

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
 * session.json, version 1: what a scan session did and found.
 *
 * @param started  ISO 8601, UTC
 * @param finished false when it was stopped; the findings up to then stand
 * @param rejected starts that looked like a kind but failed its check
 * @param joined   carving hits on bytes that a record already names
 * @param inVolumes what was found in each volume; empty in reports of older versions
 * @param carved   bytes that need not be carved again for these kinds: {offset, length} each; null in reports of older
 *                 versions
 * @param claims   how much of the medium the findings claim; null in reports of older versions
 * @param problems what was malformed, and where
 */
public record ScanReport(
        String format,
        int version,
        String engine,
        String source,
        Identity identity,
        long size,
        ScanMethod method,
        Map<String, Object> scope,
        String started,
        double seconds,
        boolean finished,
        List<Volume> volumes,
        long findings,
        Map<String, Long> kinds,
        Map<String, Long> origins,
        Map<String, Long> prognoses,
        long rejected,
        long joined,
        List<VolumeCounts> inVolumes,
        List<long[]> carved,
        @Nullable Claimed claims,
        List<String> problems) {

    public ScanReport {
        inVolumes = inVolumes == null ? List.of() : List.copyOf(inVolumes);
    }

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
        if (carved == null || !allKinds || !allStarts || !Engine.VERSION.equals(engine) || size != sourceSize) {
            return List.of();
        }
        return carved.stream()
                .filter(r -> r.length == 2 && r[0] >= 0 && r[1] > 0 && r[0] <= sourceSize - r[1])
                .map(r -> new Range(r[0], r[1]))
                .toList();
    }

    private boolean did(String what) {
        return scope != null && Boolean.TRUE.equals(scope.get(what));
    }

    ScanReport withProblem(String what) {
        List<String> more = Stream.concat(problems.stream(), Stream.of(what)).toList();
        return new ScanReport(
                format, version, engine, source, identity, size, method, scope, started, seconds, finished, volumes,
                findings, kinds, origins, prognoses, rejected, joined, inVolumes, carved, claims, more);
    }

    /** For showing: there may be very many of these ranges. */
    public ScanReport withoutCarved() {
        return new ScanReport(
                format, version, engine, source, identity, size, method, scope, started, seconds, finished, volumes,
                findings, kinds, origins, prognoses, rejected, joined, inVolumes, List.of(), claims, problems);
    }

    public static final String FORMAT = "brantel-scan-session";
    public static final int VERSION = 1;
}
