package org.brantel.core.filesystem;

import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;

/** The clusters of a volume: where they lie and which of them the file system says are in use. */
public final class Space {

    private final long firstByte;
    private final int clusterBytes;
    private final long first;
    private final long count;
    private final ClusterSet used;
    private final ClusterSet unknown;

    /**
     * @param firstByte    where the first cluster begins, in the source
     * @param first        the first cluster's number
     * @param count        clusters that there are; the caller has held the claim against the medium
     */
    public Space(long firstByte, int clusterBytes, long first, long count) {
        this.firstByte = firstByte;
        this.clusterBytes = clusterBytes;
        this.first = first;
        this.count = count;
        used = new ClusterSet(count);
        unknown = new ClusterSet(count);
    }

    public int clusterBytes() {
        return clusterBytes;
    }

    public long count() {
        return count;
    }

    public boolean isCluster(long number) {
        return number >= first && number - first < count;
    }

    public Range cluster(long number) {
        return new Range(offset(number), clusterBytes);
    }

    public long offset(long number) {
        return firstByte + (number - first) * clusterBytes;
    }

    public void use(long number) {
        used.add(number - first);
    }

    public void use(long number, long length) {
        used.add(number - first, length);
    }

    /** Takes every cluster that a stretch of the source touches. */
    public void useBytes(Range bytes) {
        long from = Math.max(0, Math.floorDiv(bytes.offset() - firstByte, (long) clusterBytes));
        long to = Math.floorDiv(bytes.end() - firstByte + clusterBytes - 1, (long) clusterBytes);
        if (to > from) {
            used.add(from, to - from);
        }
    }

    /** Gives up the clusters of a file that is no longer listed and still holds them itself. */
    public void release(Extent e) {
        if (!e.isHole()) {
            Run run = run(e);
            used.remove(run.from(), run.length());
        }
    }

    /** Takes everything but some stretches of the source, given in ascending order. */
    public void useAllBut(List<Range> free) {
        long from = firstByte;
        for (Range range : free) {
            if (range.offset() > from) {
                useBytes(new Range(from, range.offset() - from));
            }
            from = Math.max(from, range.end());
        }
        long end = firstByte + count * clusterBytes;
        if (end > from) {
            useBytes(new Range(from, end - from));
        }
    }

    public void doubt(long number) {
        unknown.add(number - first);
    }

    public void doubt(long number, long length) {
        unknown.add(number - first, length);
    }

    public boolean isUsed(long number) {
        return used.holds(number - first);
    }

    public long unknownClusters() {
        return unknown.size();
    }

    public long clustersFor(long bytes) {
        return bytes / clusterBytes + (bytes % clusterBytes == 0 ? 0 : 1);
    }

    /** The clusters of an extent as a run: first, counted from 0, and how many. */
    record Run(long from, long length) {}

    Run run(Extent e) {
        long from = Math.floorDiv(e.offset() - firstByte, (long) clusterBytes);
        long to = Math.floorDiv(e.offset() + e.length() - firstByte + clusterBytes - 1, (long) clusterBytes);
        return new Run(from, to - from);
    }

    ClusterSet emptySet() {
        return new ClusterSet(count);
    }

    long usedIn(Run run) {
        return used.countIn(run.from(), run.length());
    }

    /** Takes the clusters of a set, counted from 0. */
    void useAll(ClusterSet clusters) {
        for (long from = clusters.nextHeld(0); from < count; ) {
            long to = Math.min(count, clusters.nextClear(from));
            used.add(from, to - from);
            from = clusters.nextHeld(to);
        }
    }

    long unknownIn(Run run) {
        return unknown.countIn(run.from(), run.length());
    }

    long clusterOf(Run run, long i) {
        return first + run.from() + i;
    }

    /** Straight on from a cluster; shorter than the size where the volume ends. */
    List<Extent> straightOn(long from, long size) {
        long length = Math.min(clustersFor(size), first + count - from);
        return Extents.cut(List.of(new Extent(offset(from), length * clusterBytes)), size);
    }

    /** Straight on from a cluster around everything in use. */
    List<Extent> aroundUsed(long from, long size) {
        Extents extents = new Extents();
        for (long at = from - first; at < count && extents.length() < size; ) {
            long end = used.holds(at) ? at : used.nextHeld(at);
            if (end > at) {
                extents.add(
                        firstByte + at * clusterBytes, Math.min((end - at) * clusterBytes, size - extents.length()));
            }
            at = used.nextClear(end);
        }
        return extents.list();
    }

    /** What nothing uses, cut to the medium. */
    public List<Range> free(long mediumBytes) {
        List<Range> free = new ArrayList<>();
        Range medium = new Range(0, mediumBytes);
        for (long at = used.nextClear(0); at < count; ) {
            long end = used.nextHeld(at);
            Range range = new Range(firstByte + at * clusterBytes, (end - at) * clusterBytes).intersection(medium);
            if (!range.isEmpty()) {
                free.add(range);
            }
            at = used.nextClear(end);
        }
        return free;
    }
}
