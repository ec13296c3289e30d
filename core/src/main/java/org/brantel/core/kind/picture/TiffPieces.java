package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.List;
import java.util.zip.Adler32;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.archive.Deflated;

/**
 * The strips or tiles of a TIFF's picture, where their packing has something to check (TIFF 6.0, sections 9 and 22, and
 * the supplements for JPEG and Deflate): runs come to a strip's lines, deflated data have their sum, pictures in JPEG
 * read.
 */
final class TiffPieces {

    private static final int RUNS = 32_773;
    private static final int DEFLATE = 8;
    private static final int DEFLATE_BEFORE = 32_946;
    private static final int JPEG = 7;
    private static final int JPEG_TABLES = 347;
    private static final int ROWS_PER_STRIP = 278;
    /** All of a piece read. */
    private static final long ALL = Long.MAX_VALUE;
    /** It has nothing to check. */
    private static final long NO_CHECK = -1;
    /** Bytes of a piece that do not read by chance. */
    private static final long LEAST_UNDERSTOOD = 2048;

    private final ByteView content;
    private final TiffTags tags;
    private final Coverage coverage = new Coverage();
    private long sound;
    private boolean understood;
    private long firstWrong = -1;

    TiffPieces(ByteView content, TiffTags tags) {
        this.content = content;
        this.tags = tags;
    }

    /**
     * Checks the pieces of one picture.
     *
     * @param packing  its compression
     * @param at       where its pieces stand
     * @param bytes    how long they are
     * @param lineBytes bytes of an unpacked line; 0 where they are not known
     */
    void check(TiffTags.Directory d, long packing, long[] at, long[] bytes, long lineBytes) throws IOException {
        long height = tags.number(d.get(TiffTags.HEIGHT), 0);
        long rows = Math.min(height, tags.number(d.get(ROWS_PER_STRIP), height));
        for (int i = 0; i < at.length && i < bytes.length; i++) {
            long lines = Math.min(rows, height - i * rows);
            boolean known = packing == RUNS && lineBytes > 0
                    || packing == DEFLATE
                    || packing == DEFLATE_BEFORE
                    || packing == JPEG;
            if (!known || bytes[i] < 4) {
                continue;
            }
            long readUpTo =
                    switch ((int) packing) {
                        case RUNS -> PackBits.fill(content, at[i], bytes[i], lines * lineBytes) ? ALL : 0;
                        case JPEG -> picture(d, at[i], bytes[i]);
                        default -> unpacked(at[i], bytes[i]);
                    };
            if (readUpTo == NO_CHECK) {
                continue;
            }
            if (readUpTo == ALL) {
                sound++;
                coverage.stretch(at[i], at[i] + bytes[i]);
            } else if (firstWrong < 0) {
                firstWrong = at[i];
            }
            understood |= readUpTo >= LEAST_UNDERSTOOD;
        }
    }

    /**
     * A piece is a stream of RFC 1950: two bytes, deflated data, Adler-32.
     *
     * @return {@link #ALL}, or how many bytes read before it breaks
     */
    private long unpacked(long at, long bytes) throws IOException {
        Adler32 sum = new Adler32();
        Deflated deflated = new Deflated(content, (unpacked, length) -> sum.update(unpacked, 0, length));
        try {
            long end = deflated.read(at + 2);
            if (end < 0) {
                return Math.max(0, deflated.failedAt() - at);
            }
            return end + 4 <= at + bytes && content.u32be(end) == sum.getValue() ? ALL : end - at;
        } catch (ByteView.End e) {
            return 0;
        }
    }

    /** A piece is a picture of its own, or goes on with tables that all share; its result is as that of others. */
    private long picture(TiffTags.Directory d, long at, long bytes) throws IOException {
        TiffTags.Entry tables = d.get(JPEG_TABLES);
        ByteView picture = tables == null || tables.bytes() < 4
                ? content.joined(List.of(new Range(at, bytes)))
                : content.joined(
                        List.of(new Range(tables.valueAt(), tables.bytes() - 2), new Range(at + 2, bytes - 2)));
        try {
            JpegWalk walk = new JpegWalk(picture);
            ContentKind.Walk end = walk.go();
            if (end.whole()) {
                return end.isProof() ? ALL : NO_CHECK;
            }
            return walk.hasPicture() ? end.length() : 0;
        } catch (ByteView.End e) {
            return 0;
        }
    }

    /**
     * Where a piece stands that is not as it should be; -1 when none is, or when the packing may be one that is not
     * understood here: no piece reads to its end, nor well into itself.
     */
    long firstWrong() {
        return sound > 0 || understood ? firstWrong : -1;
    }

    long checkedBytes() {
        return coverage.bytes();
    }
}
