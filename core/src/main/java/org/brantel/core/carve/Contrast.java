package org.brantel.core.carve;

import java.io.IOException;
import java.util.List;
import org.brantel.core.source.Source;

/**
 * How unlike what surrounds it a stretch of clusters looks: by the entropy of their bytes, which differs between packed
 * data, text, tables and noise. A guess, never a proof.
 */
final class Contrast {

    private static final int AROUND = 4;

    private Contrast() {}

    /**
     * @param start of the content on the medium
     * @param edges where the gap may begin, from the content's start, ascending, at least one
     * @return the one of the edges whose gap stands out most
     */
    static long best(Source source, long start, int cluster, List<Long> edges, long gap) throws IOException {
        long from = Math.max(0, edges.get(0) - (long) AROUND * cluster);
        long to = edges.get(edges.size() - 1) + gap + (long) AROUND * cluster;
        double[] bits = bits(source, start + from, (int) ((to - from) / cluster), cluster);
        long best = edges.get(0);
        double most = -1;
        for (long edge : edges) {
            double contrast = contrast(bits, (int) ((edge - from) / cluster), (int) (gap / cluster));
            if (contrast > most) {
                most = contrast;
                best = edge;
            }
        }
        return best;
    }

    /** Difference of the means within and without, by how far the values spread around these. */
    private static double contrast(double[] bits, int first, int count) {
        double within = mean(bits, first, first + count, true);
        double without = mean(bits, first, first + count, false);
        double spread = 0;
        for (int i = 0; i < bits.length; i++) {
            double off = bits[i] - (i >= first && i < first + count ? within : without);
            spread += off * off;
        }
        return Math.abs(within - without) / Math.sqrt(spread / bits.length + 1e-9);
    }

    private static double mean(double[] bits, int first, int end, boolean inside) {
        double sum = 0;
        int count = 0;
        for (int i = 0; i < bits.length; i++) {
            if ((i >= first && i < end) == inside) {
                sum += bits[i];
                count++;
            }
        }
        return count == 0 ? 0 : sum / count;
    }

    private static double[] bits(Source source, long from, int clusters, int cluster) throws IOException {
        double[] bits = new double[clusters];
        byte[] block = new byte[cluster];
        for (int i = 0; i < clusters; i++) {
            long at = from + (long) i * cluster;
            int n = (int) Math.max(0, Math.min(cluster, source.size() - at));
            bits[i] = n == 0 || !source.read(at, block, 0, n).isClean() ? 0 : entropy(block, n);
        }
        return bits;
    }

    /** Bits that a byte of it is worth, 0 to 8. */
    static double entropy(byte[] block, int length) {
        int[] counts = new int[256];
        for (int i = 0; i < length; i++) {
            counts[block[i] & 0xff]++;
        }
        double bits = 0;
        for (int n : counts) {
            double share = (double) n / length;
            bits -= n == 0 ? 0 : share * Math.log(share) / Math.log(2);
        }
        return bits;
    }
}
