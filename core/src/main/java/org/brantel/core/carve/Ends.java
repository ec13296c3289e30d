package org.brantel.core.carve;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.source.Source;

/**
 * What surrounds content on its medium, held against what its own checks say. This is the one place where that decides:
 *
 * <ul>
 *   <li>Whoever writes a file fills its last sector with zeros. A few bytes between content's own end and such zeros
 *       may belong to it: they are taken with it, and it is doubtful.
 *   <li>What fails its checks and ends in nothing but zeros was cut where these begin; and where other content follows
 *       other inside it, hardly anything behind the first of that is its own.
 *   <li>What carries a check for less than a quarter of its bytes is whole only when its end meets an end, that is
 *       a check at its last byte or zeros from there to the next sector, and when no cluster in the middle of packed
 *       data looks like something else.
 *   <li>What is whole as far as it goes, of a form whose files may go on, is doubtful.
 *   <li>Plain text is all there is of a file when nothing but zeros follows it in its last sector and no line leads up
 *       to its start; else it is likely a part of something: texts in a program, a later piece of a longer text.
 * </ul>
 *
 * Another start inside it speaks against it, too; {@link Carver} sees these.
 */
final class Ends {

    private static final int SECTOR = 512;
    private static final int CLUSTER = 4096;
    private static final int FEWEST_ZEROS = 16;
    /** What most formats write at once, at least: zeros that fill it up are no filling of a cluster. */
    private static final int WORD = 4;

    private static final int FEWEST_CUT = 64;
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
        if (text) {
            return standingAlone(hit);
        }
        if (hit.start() % SECTOR != 0) {
            return hit;
        }
        byte[] behind = new byte[(int) Math.min((CLUSTER - hit.end() % CLUSTER) % CLUSTER, source.size() - hit.end())];
        if (!source.read(hit.end(), behind, 0, behind.length).isClean()) {
            return hit;
        }
        int more = lengthWithoutZeros(behind);
        if (more > 0 && behind[0] != 0 && behind.length - more >= FEWEST_ZEROS) {
            return hit.longerBy(
                    more,
                    "Its own end is at byte " + hit.walk().length() + "; the " + more
                            + " bytes behind that, up to the zeros that fill the cluster, may belong to it.");
        }
        if (!hit.walk().whole()) {
            return withoutZeros(hit);
        }
        if (hit.walk().outcome() == ContentKind.Outcome.WHOLE && !hit.walk().closed()) {
            return hit.doubted(
                    "Nothing shows that it ends there: some programs keep more behind the last part in use.");
        }
        return hit.walk().isProof() ? hit : supported(hit, behind);
    }

    private Hit standingAlone(Hit hit) throws IOException {
        byte[] behind = new byte[(int) Math.min((SECTOR - hit.end() % SECTOR) % SECTOR, source.size() - hit.end())];
        if (source.read(hit.end(), behind, 0, behind.length).isClean() && lengthWithoutZeros(behind) > 0) {
            return hit.doubted(
                    "Other bytes than zeros stand right behind its end, as where text is a part of something.");
        }
        byte[] before = new byte[(int) Math.min(1, hit.start())];
        return source.read(hit.start() - before.length, before, 0, before.length)
                                .isClean()
                        && before.length > 0
                        && before[0] >= ' '
                ? hit.doubted("A line of text leads up to its start: it may be a later part of that.")
                : hit;
    }

    private Hit withoutZeros(Hit hit) throws IOException {
        return hit.pieces().size() > 1 ? hit : hit.cutAt(beforeZeros(hit, hit.end(), FEWEST_CUT));
    }

    /** Content of which only what stands before a place is its own, up to the zeros that fill the cluster there. */
    Hit upTo(Hit hit, long place) throws IOException {
        return hit.cutAt(beforeZeros(hit, place, FEWEST_ZEROS));
    }

    /** @return where the zeros begin that lead up to a place; the place itself when they are fewer, or were not read */
    private long beforeZeros(Hit hit, long place, int fewest) throws IOException {
        byte[] before = new byte[(int) Math.min(CLUSTER, place - hit.start())];
        if (!source.read(place - before.length, before, 0, before.length).isClean()) {
            return place;
        }
        int zeros = before.length - lengthWithoutZeros(before);
        return zeros < fewest || zeros == before.length ? place : place - zeros / WORD * (long) WORD;
    }

    private static int lengthWithoutZeros(byte[] bytes) {
        int length = bytes.length;
        while (length > 0 && bytes[length - 1] == 0) {
            length--;
        }
        return length;
    }

    private Hit supported(Hit hit, byte[] behind) throws IOException {
        String little = hit.walk().coveredWords() + ", and ";
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
