package org.brantel.core.filesystem;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.jspecify.annotations.Nullable;

/** Follows chains of clusters, each naming the next one of its file. */
public final class Chains {

    /** What a table says of its clusters; the first one is number 2. */
    public interface Links {

        /** The value of a cluster's entry; -1 when it was not read. */
        long next(long cluster) throws IOException;

        boolean isEnd(long value);

        /** Clusters that the volume has, whether or not the medium reaches so far. */
        long clusters();

        /** First byte of a cluster in the source. */
        long offset(long cluster);

        int clusterBytes();
    }

    /**
     * A chain as far as it holds.
     *
     * @param brokenBy why it ends before its end mark; null when it does not
     */
    public record Chain(
            List<Extent> extents, long clusters, @Nullable String brokenBy) {}

    private Chains() {}

    /**
     * Follows a chain.
     *
     * @param most clusters that are wanted at most; the walk also ends at a circle, a free or an impossible entry
     */
    public static Chain follow(Links links, long first, long most) throws IOException {
        Chain chain = follow(links, first, most, null);
        // Looked for only where it can be: whoever runs in a circle holds a cluster twice.
        return holdsTwice(chain.extents()) ? follow(links, first, most, new ClusterSet(links.clusters())) : chain;
    }

    private static Chain follow(Links links, long first, long most, @Nullable ClusterSet seen) throws IOException {
        Extents extents = new Extents();
        long steps = 0;
        for (long at = first; steps < most; ) {
            if (at < 2 || at - 2 >= links.clusters()) {
                return new Chain(extents.list(), steps, "it points to cluster " + at + ", which does not exist");
            }
            if (seen != null) {
                if (seen.holds(at - 2)) {
                    return new Chain(extents.list(), steps, "it runs in a circle at cluster " + at);
                }
                seen.add(at - 2);
            }
            extents.add(links.offset(at), links.clusterBytes());
            steps++;
            long value = links.next(at);
            if (links.isEnd(value)) {
                return new Chain(extents.list(), steps, null);
            }
            if (value <= 0) {
                return new Chain(
                        extents.list(),
                        steps,
                        value < 0 ? "its table sector was not read" : "it ends in a free cluster");
            }
            at = value;
        }
        return new Chain(extents.list(), steps, null);
    }

    private static boolean holdsTwice(List<Extent> extents) {
        if (extents.size() < 2) {
            return false;
        }
        List<Extent> sorted = new ArrayList<>(extents);
        sorted.sort(Comparator.comparingLong(Extent::offset));
        for (int i = 1; i < sorted.size(); i++) {
            if (sorted.get(i).offset() < sorted.get(i - 1).range().end()) {
                return true;
            }
        }
        return false;
    }
}
