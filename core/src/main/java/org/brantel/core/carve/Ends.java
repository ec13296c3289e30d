package org.brantel.core.carve;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.source.Source;

/**
 * What surrounds content on its medium, held against what its own checks say. This is the one place where that decides:
 *
 * <ul>
 *   <li>Whoever writes a file fills its last sector with zeros. A few bytes between content's own end and such zeros
 *       may belong to it: they are taken with it, and it is doubtful.
 *   <li>What fails its checks and ends in nothing but zeros was cut where these begin.
 *   <li>What carries a check for less than a quarter of its bytes is whole only when its end meets an end, that is
 *       a check at its last byte or zeros from there to the next sector, and when no cluster in the middle of packed
 *       data looks like something else.
 * </ul>
 *
 * Another start inside it speaks against it, too; {@link Carver} sees these.
 */
final class Ends {

    private static final int SECTOR = 512;
    private static final int CLUSTER = 4096;
    private static final int FEWEST_ZEROS = 16;
    /** What most formats write at once, at least: zeros that fill it up are no filling of a cluster. */
    static final int WORD = 4;

    private static final int FEWEST_CUT = 64;
    private static final double LITTLE = 0.25;
    /** Bits in a byte of packed data at least, and of what is surely none at most. */
    private static final double PACKED = 7.2;

    private static final double PLAIN = 5.5;
    private static final int FEWEST_CLUSTERS = 8;
    private static final long MOST_LOOKED_AT = 64 << 20;

    private final Source source;

    Ends(Source source) {
        this.source = source;
    }

    /** @param text whether it is plain text, whose end is nothing but the end of what reads as text */
    Hit checked(Hit hit, boolean text) throws IOException {
        if (text || hit.start() % SECTOR != 0) {
            return hit;
        }
        byte[] behind = new byte[(int) Math.min((CLUSTER - hit.end() % CLUSTER) % CLUSTER, source.size() - hit.end())];
        if (!source.read(hit.end(), behind, 0, behind.length).isClean()) {
            return hit;
        }
        int more = behind.length;
        while (more > 0 && behind[more - 1] == 0) {
            more--;
        }
        if (more > 0 && behind[0] != 0 && behind.length - more >= FEWEST_ZEROS) {
            return hit.longerBy(
                    more,
                    "Its own end is at byte " + hit.walk().length() + "; the " + more
                            + " bytes behind that, up to the zeros that fill the cluster, may belong to it.");
        }
        if (!hit.walk().whole()) {
            return withoutZeros(hit);
        }
        return hit.walk().proven() >= LITTLE ? hit : supported(hit, behind);
    }

    private Hit withoutZeros(Hit hit) throws IOException {
        Range last = hit.pieces().get(hit.pieces().size() - 1);
        byte[] tail = new byte[(int) Math.min(CLUSTER, last.length())];
        if (hit.pieces().size() > 1
                || !source.read(last.end() - tail.length, tail, 0, tail.length).isClean()) {
            return hit;
        }
        int zeros = 0;
        while (zeros < tail.length - 1 && tail[tail.length - 1 - zeros] == 0) {
            zeros++;
        }
        return zeros < FEWEST_CUT ? hit : hit.cutAt(last.end() - (long) zeros / WORD * WORD);
    }

    private Hit supported(Hit hit, byte[] behind) throws IOException {
        String little = "A check would notice a change in only "
                + Math.round(hit.walk().proven() * 100) + " % of its bytes, and ";
        int inSector = (int) Math.min(behind.length, (SECTOR - hit.end() % SECTOR) % SECTOR);
        for (int i = 0; i < inSector && !hit.walk().closed(); i++) {
            if (behind[i] != 0) {
                return hit.doubted(little + "right behind its end stand other bytes than zeros.");
            }
        }
        long strange = firstPlain(hit);
        return strange < 0
                ? hit
                : hit.doubted(little + "at byte " + strange + ", among packed data, stands a cluster that is none.");
    }

    /** @return where, from the content's start, a cluster stands that is plain where nearly all others are packed */
    private long firstPlain(Hit hit) throws IOException {
        if (hit.pieces().size() > 1 || hit.walk().length() > MOST_LOOKED_AT) {
            return -1;
        }
        List<Double> bits = new ArrayList<>();
        byte[] cluster = new byte[CLUSTER];
        for (long at = hit.start(); at + CLUSTER <= hit.end(); at += CLUSTER) {
            bits.add(source.read(at, cluster, 0, CLUSTER).isClean() ? Contrast.entropy(cluster, CLUSTER) : PACKED);
        }
        double[] sorted = bits.stream().mapToDouble(b -> b).sorted().toArray();
        if (bits.size() < FEWEST_CLUSTERS || sorted[bits.size() / 4] < PACKED) {
            return -1;
        }
        // Beginnings and ends hold tables and words.
        int edge = Math.max(2, bits.size() / 16);
        for (int i = edge; i < bits.size() - edge; i++) {
            if (bits.get(i) < PLAIN) {
                return (long) i * CLUSTER;
            }
        }
        return -1;
    }
}
