package org.brantel.core.carve;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Resumable;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/**
 * Content in two pieces: what breaks off is tried again with a stretch left out. Only kinds that notice a foreign byte
 * can be joined. The gap begins at a cluster's edge at or before the break and ends at one behind it, clusters counted
 * from the content's start; what stands behind it must look like a continuation. What may be read for that is bounded,
 * and the shortest gap wins.
 */
final class TwoPieces {

    private static final int[] CLUSTERS = {4096, 512};
    private static final long[] MOST_GAP = {8 << 20, 1 << 20};
    private static final int MOST_EDGES = 64;
    /**
     * Bytes that may be read for all tries in one stretch of a medium, so that broken content never takes much longer
     * than whole.
     */
    private static final long MOST_READ = 48 << 20;

    private static final int BLOCK = 1 << 20;
    private static final byte[] ZEROS = new byte[CLUSTERS[0]];

    private final Metered source;
    private final int step;

    /** Use one for each stretch: it has a budget. */
    TwoPieces(Source source, int step) {
        this.source = new Metered(source);
        this.step = step;
    }

    /** @return null when it does not come together */
    @Nullable
    Hit join(ContentKind kind, long start) throws IOException {
        if (source.bytesRead() > MOST_READ) {
            return null;
        }
        long room = Math.min(source.size() - start, kind.longest());
        Resumable again;
        try {
            again = kind.resumable(ByteView.of(source, new Range(start, room)));
        } catch (ByteView.End | ByteView.Unread e) {
            return null;
        }
        for (int i = 0; again != null && i < CLUSTERS.length; i++) {
            Hit joined = CLUSTERS[i] < step ? null : join(kind, start, again, CLUSTERS[i], MOST_GAP[i]);
            if (joined != null) {
                return joined;
            }
        }
        return null;
    }

    private @Nullable Hit join(ContentKind kind, long start, Resumable again, int cluster, long mostGap)
            throws IOException {
        long last = Math.min(again.latest(), source.size() - start) / cluster * cluster;
        long first = Math.max(Math.max(cluster, again.earliest()), last - (long) (MOST_EDGES - 1) * cluster);
        List<Long> places =
                continuations(start, (first + cluster - 1) / cluster * cluster, last + mostGap, again, cluster);
        Set<Long> gaps = again.gaps();
        for (long edge = last; edge >= first; edge -= cluster) {
            for (long place : places) {
                if (!gaps.isEmpty() && !gaps.contains(place - edge)) {
                    continue;
                }
                if (source.bytesRead() > MOST_READ) {
                    return null;
                }
                Hit hit = place <= edge ? null : tried(kind, again, start, edge, start + place);
                if (hit != null) {
                    return hit;
                }
            }
        }
        return null;
    }

    private @Nullable Hit tried(ContentKind kind, Resumable again, long start, long edge, long place)
            throws IOException {
        List<Range> pieces =
                List.of(new Range(start, edge), new Range(place, Math.min(source.size() - place, kind.longest())));
        try {
            ContentKind.Walk walk = again.resume(ByteView.of(source, pieces, Long.MAX_VALUE), edge);
            if (walk.whole() && walk.length() > edge) {
                return new Hit(
                        kind,
                        List.of(new Range(start, edge), new Range(place, walk.length() - edge)),
                        joined(walk, place - start - edge),
                        again.doubts());
            }
        } catch (ByteView.End | ByteView.Unread e) {
            return null;
        }
        return null;
    }

    private static ContentKind.Walk joined(ContentKind.Walk walk, long gap) {
        return new ContentKind.Walk(
                walk.outcome(),
                walk.length(),
                walk.words() + " That holds only when the " + gap + " bytes between its two pieces are left out.",
                walk.code(),
                walk.about());
    }

    /** Clusters behind the first possible edge that look like a continuation; from the content's start, ascending. */
    private List<Long> continuations(long start, long from, long to, Resumable again, int cluster) throws IOException {
        List<Long> places = new ArrayList<>();
        byte[] block = new byte[BLOCK];
        long end = Math.min(start + to, source.size());
        for (long at = start + from + cluster; at < end; at += BLOCK) {
            int n = (int) Math.min(BLOCK, end - at);
            if (!source.knownUnread(new Range(at, n)).isEmpty()
                    || !source.read(at, block, 0, n).isClean()) {
                continue;
            }
            for (int i = 0; i + 512 <= n; i += cluster) {
                int most = Math.min(cluster, n - i);
                // Zeros go on with nothing.
                if (Arrays.mismatch(block, i, i + most, ZEROS, 0, most) >= 0 && again.couldContinue(block, i, most)) {
                    places.add(at + i - start);
                }
            }
        }
        return places;
    }
}
