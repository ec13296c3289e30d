package org.brantel.core.carve;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Resumable;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/**
 * Content in two pieces: what breaks off is tried again with a stretch left out. Only kinds that notice a foreign byte
 * can be joined. The gap begins at a cluster's edge at or before the break and ends at one behind it, clusters counted
 * from the content's start; what stands behind it must look like a continuation.
 *
 * <p>What is likely is tried first: edges right before the break with short gaps, then edges farther back, then long
 * gaps. Each content has its share of what may be read, so that one that never comes together leaves the others theirs.
 */
final class TwoPieces {

    private static final int[] CLUSTERS = {4096, 512};
    private static final long[] MOST_GAP = {8 << 20, 1 << 20};
    private static final int MOST_EDGES = 64;
    /** Edges right before the break, which is where most kinds notice foreign bytes. */
    private static final int NEAR_EDGES = 4;

    private static final int NEAR_GAP = 64;
    private static final int SHORT_GAP = 16;
    /** Bytes that may be read for one content over short gaps. */
    private static final long MOST_NEAR = 24 << 20;
    /** Bytes that may be read for all in one stretch of a medium, over short gaps and over long ones. */
    private static final long MOST_NEAR_ALL = 1L << 30;

    private static final long MOST_FAR_ALL = 48 << 20;

    private static final int BLOCK = 1 << 20;
    private static final byte[] ZEROS = new byte[CLUSTERS[0]];

    private final Metered source;
    private final int step;
    private long readNear;
    private long readFar;

    /** Use one for each stretch: it has a budget. */
    TwoPieces(Source source, int step) {
        this.source = new Metered(source);
        this.step = step;
    }

    /** @return null when it does not come together */
    @Nullable
    Hit join(ContentKind kind, long start) throws IOException {
        if (readNear > MOST_NEAR_ALL) {
            return null;
        }
        long before = source.bytesRead();
        Hit joined = near(kind, start);
        readNear += source.bytesRead() - before;
        return joined;
    }

    private @Nullable Hit near(ContentKind kind, long start) throws IOException {
        long room = Math.min(source.size() - start, kind.longest());
        Resumable again;
        try {
            again = kind.resumable(ByteView.of(source, new Range(start, room)));
        } catch (ByteView.End | ByteView.Unread e) {
            return null;
        }
        for (int i = 0; again != null && i < CLUSTERS.length; i++) {
            if (CLUSTERS[i] < step) {
                continue;
            }
            Tries tries = new Tries(kind, start, again, CLUSTERS[i]);
            Hit joined = tries.near();
            if (joined == null && readFar < MOST_FAR_ALL) {
                long before = source.bytesRead();
                joined = tries.far(MOST_GAP[i]);
                readFar += source.bytesRead() - before;
            }
            if (joined != null) {
                return joined;
            }
        }
        return null;
    }

    /** One content's tries with clusters of one size. */
    private final class Tries {
        private final ContentKind kind;
        private final long start;
        private final Resumable again;
        private final int cluster;
        private final long last;
        private final long first;
        private long mostRead;

        Tries(ContentKind kind, long start, Resumable again, int cluster) {
            this.kind = kind;
            this.start = start;
            this.again = again;
            this.cluster = cluster;
            last = Math.min(again.latest(), source.size() - start) / cluster * cluster;
            long earliest = Math.max(Math.max(cluster, again.earliest()), last - (long) (MOST_EDGES - 1) * cluster);
            first = (earliest + cluster - 1) / cluster * cluster;
        }

        @Nullable
        Hit near() throws IOException {
            mostRead = source.bytesRead() + MOST_NEAR;
            TreeSet<Long> places = places(last + (long) NEAR_GAP * cluster);
            long near = Math.max(first, last - (long) (NEAR_EDGES - 1) * cluster);
            Hit hit = tried(last, near, places, 1, NEAR_GAP);
            hit = hit == null ? tried(near - cluster, first, places, 1, SHORT_GAP) : hit;
            return hit == null ? tried(near - cluster, first, places, SHORT_GAP + 1, NEAR_GAP) : hit;
        }

        @Nullable
        Hit far(long mostGap) throws IOException {
            mostRead = source.bytesRead() + MOST_FAR_ALL - readFar;
            Set<Long> gaps = again.gaps();
            if (!gaps.isEmpty() && gaps.stream().noneMatch(gap -> gap > (long) NEAR_GAP * cluster)) {
                return null;
            }
            return tried(last, first, places(last + mostGap), NEAR_GAP + 1, mostGap / cluster);
        }

        /** Edges from one down to another, each with gaps of so many clusters, the shortest first. */
        private @Nullable Hit tried(long from, long to, TreeSet<Long> places, long leastGap, long mostGap)
                throws IOException {
            Set<Long> gaps = again.gaps();
            for (long edge = from; edge >= to; edge -= cluster) {
                for (long place : places.subSet(edge + leastGap * cluster, true, edge + mostGap * cluster, true)) {
                    if (!gaps.isEmpty() && !gaps.contains(place - edge)) {
                        continue;
                    }
                    if (source.bytesRead() > mostRead) {
                        return null;
                    }
                    Hit hit = tried(edge, place);
                    if (hit != null) {
                        return hit.doubts().isEmpty() ? hit : mostUnlike(hit, edge, place - edge);
                    }
                }
            }
            return null;
        }

        private @Nullable Hit tried(long edge, long place) throws IOException {
            List<Range> pieces = List.of(
                    new Range(start, edge),
                    new Range(start + place, Math.min(source.size() - start - place, kind.longest())));
            try {
                ContentKind.Walk walk = again.resume(ByteView.of(source, pieces, Long.MAX_VALUE), edge);
                if (walk.whole() && walk.length() > edge) {
                    return new Hit(
                            kind,
                            List.of(new Range(start, edge), new Range(start + place, walk.length() - edge)),
                            joined(walk, place - edge),
                            again.doubts());
                }
            } catch (ByteView.End | ByteView.Unread e) {
                return null;
            }
            return null;
        }

        /**
         * Where the content's checks leave several edges, the one whose gap looks most unlike what is around it. It
         * stays doubtful.
         */
        private Hit mostUnlike(Hit found, long edge, long gap) throws IOException {
            List<Long> edges = new ArrayList<>();
            for (long e = Math.max(first, edge - (long) SHORT_GAP * cluster);
                    e <= Math.min(last, edge + (long) SHORT_GAP * cluster);
                    e += cluster) {
                if (e == edge || source.bytesRead() < mostRead && tried(e, e + gap) != null) {
                    edges.add(e);
                }
            }
            long best = Contrast.best(source, start, cluster, edges, gap);
            Hit hit = best == edge ? found : tried(best, best + gap);
            return hit == null ? found : hit;
        }

        /** Clusters behind the first possible edge that look like a continuation; from the content's start. */
        private TreeSet<Long> places(long to) throws IOException {
            TreeSet<Long> places = new TreeSet<>();
            if (last < first) {
                return places;
            }
            byte[] block = new byte[BLOCK];
            long end = Math.min(start + to, source.size());
            for (long at = start + first + cluster; at < end; at += BLOCK) {
                int n = (int) Math.min(BLOCK, end - at);
                if (!source.knownUnread(new Range(at, n)).isEmpty()
                        || !source.read(at, block, 0, n).isClean()) {
                    continue;
                }
                for (int i = 0; i + 512 <= n; i += cluster) {
                    int most = Math.min(cluster, n - i);
                    // Zeros go on with nothing.
                    if (Arrays.mismatch(block, i, i + most, ZEROS, 0, most) >= 0
                            && again.couldContinue(block, i, most)) {
                        places.add(at + i - start);
                    }
                }
            }
            return places;
        }
    }

    private static ContentKind.Walk joined(ContentKind.Walk walk, long gap) {
        return walk.saying(
                walk.words() + " That holds only when the " + gap + " bytes between its two pieces are left out.");
    }
}
