package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.Arrays;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.jspecify.annotations.Nullable;

/**
 * The pictures of a film's track in AVC or HEVC (ISO/IEC 14496-15, sections 5.3 and 8.3): each sample is a run of
 * units, each behind its length, that fill it. Where the lengths do not add up, other bytes have begun.
 */
final class FilmSamples {

    private static final Set<String> AVC = Set.of("avc1", "avc3");
    private static final Set<String> HEVC = Set.of("hvc1", "hev1");
    /** From a sample entry's first byte to its boxes (ISO/IEC 14496-12, 12.1.3). */
    private static final int ENTRY = 86;

    private static final int MOST = 2 << 20;

    private final int lengthBytes;
    private long[] offsets = new long[256];
    private long[] sizes = new long[256];
    private int count;
    private long sum;
    private long goodUntil;
    private int brokenSample;

    private FilmSamples(int lengthBytes) {
        this.lengthBytes = lengthBytes;
    }

    /**
     * @param entries the box "stsd"
     * @return null when its first entry is of another sort
     */
    static @Nullable FilmSamples of(ByteView content, IsoMedia.@Nullable Box entries) throws IOException {
        IsoMedia.Box entry = entries == null ? null : IsoMedia.box(content, entries.body() + 8, entries.end());
        boolean avc = entry != null && AVC.contains(entry.type());
        if (entry == null || !avc && !HEVC.contains(entry.type())) {
            return null;
        }
        for (long at = entry.at() + ENTRY; at + 8 <= entry.end(); ) {
            IsoMedia.Box box = IsoMedia.box(content, at, entry.end());
            if (box == null) {
                return null;
            }
            if (box.type().equals(avc ? "avcC" : "hvcC")) {
                long field = box.body() + (avc ? 4 : 21);
                return field < box.end() ? new FilmSamples((content.u8(field) & 3) + 1) : null;
            }
            at = box.end();
        }
        return null;
    }

    void add(long offset, long size) {
        if (count == MOST) {
            return;
        }
        if (count == offsets.length) {
            offsets = Arrays.copyOf(offsets, count * 2);
            sizes = Arrays.copyOf(sizes, count * 2);
        }
        offsets[count] = offset;
        sizes[count++] = size;
        sum += size;
    }

    /** The beginning of the last unit whose length was in order; after {@link #firstBroken}. */
    long goodUntil() {
        return goodUntil;
    }

    /** The sample in which it broke. */
    int brokenSample() {
        return brokenSample;
    }

    /**
     * @return the first place from a sample on where lengths do not add up; -1 when all do, or when samples that share
     *         bytes tell nothing
     */
    long firstBroken(ByteView content, int fromSample) throws IOException {
        if (sum > content.length()) {
            return -1;
        }
        for (int i = fromSample; i < count; i++) {
            long end = offsets[i] + sizes[i];
            for (long at = offsets[i]; at < end; ) {
                long length = at + lengthBytes > end ? 0 : length(content, at);
                if (length == 0 || length > end - at - lengthBytes || content.u8(at + lengthBytes) >= 0x80) {
                    brokenSample = i;
                    return at;
                }
                goodUntil = at;
                at += lengthBytes + length;
            }
        }
        return -1;
    }

    private long length(ByteView content, long at) throws IOException {
        long length = 0;
        for (int i = 0; i < lengthBytes; i++) {
            length = length << 8 | content.u8(at + i);
        }
        return length;
    }

    /** Packed pictures: hardly a cluster of them is without high bits. */
    static boolean couldContinue(byte[] block, int at, int length) {
        int high = 0;
        for (int i = at; i < at + length; i++) {
            high += (block[i] & 0xff) >> 7;
        }
        return high > length / 5 || Bytes.match(block, at + 4, Bytes.latin("moov"));
    }
}
