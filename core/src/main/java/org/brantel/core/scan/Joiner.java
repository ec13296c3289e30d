package org.brantel.core.scan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.carve.Hit;
import org.brantel.core.carve.SuggestedNames;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kinds.Kinds;
import org.brantel.core.volume.Volume;

/** Brings carving hits together with what records name: what it must know of each record, and no more. */
final class Joiner {

    /** A share of content that a check covers. */
    private static final double SURE = 0.95;

    /** Text without a form of its own. */
    private static final String PLAIN_TEXT = "txt";

    /** @param onePiece the stored bytes are the content, in one extent */
    private record Known(int id, int score, long size, boolean onePiece, boolean whole) {}

    private final Map<Long, Known> byFirstByte = new HashMap<>();
    private final RangeSet inLiveFiles = new RangeSet();

    void note(Finding f) {
        if (f.firstByte() >= 0 && f.prognosis() != Prognosis.OVERWRITTEN) {
            boolean onePiece = f.encoding() == null
                    && f.extents().size() == 1
                    && f.extents().get(0).length() == f.size();
            Known known = new Known((int) f.id(), f.score(), f.size(), onePiece, f.prognosis() == Prognosis.WHOLE);
            byFirstByte.merge(f.firstByte(), known, (a, b) -> a.score() >= b.score() ? a : b);
        }
        if (f.origin() == Origin.LIVE && f.prognosis() == Prognosis.WHOLE) {
            f.extents().stream().filter(e -> !e.isHole()).forEach(e -> inLiveFiles.add(e.range()));
        }
    }

    /** Whether content that starts here could be news, or support a record. */
    boolean isWanted(long offset) {
        return byFirstByte.containsKey(offset) || !inLiveFiles.overlaps(new Range(offset, 1));
    }

    /** @return the number of the finding that a record already makes of these bytes; 0 for none */
    int known(Hit hit) {
        Known known = byFirstByte.get(hit.start());
        long length = hit.walk().length();
        if (known == null || hit.pieces().size() > 1 == known.onePiece()) {
            return 0;
        }
        // Trailing bytes in a file after its content's own end do not make it another file.
        return known.size() == length || known.size() > length && known.whole() ? known.id() : 0;
    }

    /** A find that no record names. */
    static Finding nameless(Hit hit, List<Volume> volumes, SuggestedNames names) {
        Range first = hit.pieces().get(0);
        ContentKind.Walk walk = hit.walk();
        Integer volume = volumes.stream()
                .filter(v -> v.range().overlaps(first))
                .map(Volume::index)
                .findFirst()
                .orElse(null);
        boolean whole = walk.whole() && hit.doubts().isEmpty();
        int score = score(hit, whole);
        List<String> reasons = new ArrayList<>(
                List.of("No record names it; its content was found by its own structure.", walk.words()));
        reasons.addAll(hit.doubts());
        if (whole && walk.proven() < 1) {
            boolean none = walk.proven() < 0.01;
            reasons.add(walk.coveredWords()
                    + (none ? ": a change would not show." : "; a change of the others would not show."));
        }
        return new Finding(
                0,
                volume,
                Origin.CARVED,
                new Named(null, "at-" + hit.start() + "." + hit.code(), names.of(hit.code(), walk.about())),
                Times.NONE,
                new Verdict(
                        whole ? Prognosis.WHOLE : Prognosis.DOUBTFUL,
                        score,
                        reasons,
                        walk.whole() ? walk.proven() : null),
                new Content(
                        walk.length(),
                        hit.code(),
                        hit.pieces().stream().map(Extent::of).toList(),
                        null,
                        null,
                        walk.about().facts()),
                Evidence.NONE);
    }

    /**
     * How often a find of this sort has every byte of one file and no other, out of a hundred, as it was on a medium of
     * other people's files (docs/benchmarks.md). What breaks inside was none of these files as it stands.
     */
    private static int score(Hit hit, boolean whole) {
        if (whole) {
            return hit.walk().proven() > SURE ? 99 : 96;
        }
        if (hit.walk().outcome() == ContentKind.Outcome.DAMAGED) {
            return 5;
        }
        if (hit.code().equals(PLAIN_TEXT)) {
            return hit.doubts().isEmpty() ? 75 : 2;
        }
        if (hit.walk().outcome() == ContentKind.Outcome.LIKELY && hit.doubts().isEmpty()) {
            return Kinds.isText(hit.code()) ? 95 : 70;
        }
        // What is hardly checked is doubted for its surroundings alone.
        return hit.walk().whole() && !hit.walk().isProof() ? 90 : 60;
    }
}
