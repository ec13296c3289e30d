package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.Coverage;

/**
 * The samples of all tracks that can be checked, in the order in which they stand in the file. Where one is not as its
 * coding writes it, other bytes have begun.
 */
final class Laid {

    private static final int MOST = 2 << 20;
    /** A place in a file of up to 4 TiB, and behind it which sample that is. */
    private static final int NUMBER_BITS = 22;

    private static final long FARTHEST = 1L << 63 - NUMBER_BITS;
    /** Samples in a row that may be taken to be right though other bytes stand there, most of all in their middle. */
    private static final int PASS_BY_CHANCE = 3;
    /** Of a track's samples so many may be wrong before its check is taken to be the wrong one. */
    private static final double MOST_WRONG = 0.34;

    private long[] places = new long[256];
    private long[] sizes = new long[256];
    private byte[] tracks = new byte[256];
    private final List<SampleCheck> checks = new ArrayList<>();
    private final List<Boolean> trusted = new ArrayList<>();
    private int count;
    private long sum;
    private boolean sorted;
    private long goodUntil;
    private int broken;

    /** @return its number, for {@link #add} */
    int track(SampleCheck check) {
        checks.add(check);
        trusted.add(true);
        return checks.size() - 1;
    }

    void add(int track, long at, long size) {
        if (count == MOST || at < 0 || at >= FARTHEST || size <= 0 || track > Byte.MAX_VALUE) {
            return;
        }
        if (count == sizes.length) {
            places = Arrays.copyOf(places, count * 2);
            sizes = Arrays.copyOf(sizes, count * 2);
            tracks = Arrays.copyOf(tracks, count * 2);
        }
        places[count] = at << NUMBER_BITS | count;
        sizes[count] = size;
        tracks[count++] = (byte) track;
        sum += size;
        sorted = false;
    }

    boolean isEmpty() {
        return count == 0;
    }

    /** Whether a sample begins there, as the pictures of some films are pictures of their own. */
    boolean beginAt(long place) {
        sort();
        int found = Arrays.binarySearch(places, 0, count, place << NUMBER_BITS);
        int next = found >= 0 ? found : -found - 1;
        return next < count && places[next] >>> NUMBER_BITS == place;
    }

    /** Tells where the checks of samples stand. */
    void cover(Coverage coverage) {
        sort();
        for (int i = 0; i < count; i++) {
            int sample = (int) (places[i] & (1 << NUMBER_BITS) - 1);
            if (trusted.get(tracks[sample])) {
                coverage.place(places[i] >>> NUMBER_BITS);
                coverage.place((places[i] >>> NUMBER_BITS) + sizes[sample]);
            }
        }
    }

    /** Where the last samples begin that were in order before the one that was not; some of them may be by chance. */
    long goodUntil() {
        return goodUntil;
    }

    /** In the order of places: the sample that is wrong. */
    int broken() {
        return broken;
    }

    /**
     * @return the first place from a sample on that is wrong; -1 when none is, or when samples that share bytes tell
     *         nothing
     */
    long firstBroken(ByteView content, int from) throws IOException {
        if (sum > content.length() + count) {
            return -1;
        }
        sort();
        if (from == 0) {
            distrust(content);
        }
        for (int i = from; i < count; i++) {
            int sample = (int) (places[i] & (1 << NUMBER_BITS) - 1);
            if (!trusted.get(tracks[sample])) {
                continue;
            }
            long at = places[i] >>> NUMBER_BITS;
            long wrong = checks.get(tracks[sample]).firstWrong(content, at, sizes[sample]);
            if (wrong >= 0) {
                broken = i;
                goodUntil = places[Math.max(0, i - PASS_BY_CHANCE)] >>> NUMBER_BITS;
                return wrong;
            }
        }
        return -1;
    }

    /** A check that most samples of a track fail says nothing of it: it may be encrypted, or be coded otherwise. */
    private void distrust(ByteView content) throws IOException {
        int[] wrong = new int[checks.size()];
        int[] all = new int[checks.size()];
        for (int i = 0; i < count; i++) {
            int sample = (int) (places[i] & (1 << NUMBER_BITS) - 1);
            int track = tracks[sample];
            if (!checks.get(track).isStrict() && trusted.get(track)) {
                all[track]++;
                wrong[track] +=
                        checks.get(track).firstWrong(content, places[i] >>> NUMBER_BITS, sizes[sample]) < 0 ? 0 : 1;
            }
        }
        for (int track = 0; track < all.length; track++) {
            if (wrong[track] > all[track] * MOST_WRONG) {
                trusted.set(track, false);
            }
        }
    }

    private void sort() {
        if (!sorted) {
            Arrays.sort(places, 0, count);
            sorted = true;
        }
    }

    /** Packed sound and pictures: hardly a cluster of them is without high bits. */
    static boolean couldContinue(byte[] block, int at, int length) {
        int high = 0;
        for (int i = at; i < at + length; i++) {
            high += (block[i] & 0xff) >> 7;
        }
        return high > length / 5 || Bytes.match(block, at + 4, Bytes.latin("moov"));
    }
}
