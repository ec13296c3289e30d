package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.archive.Deflated;

/**
 * The strips or tiles of a TIFF's picture, where their packing has something to check (TIFF 6.0, sections 9 and 22, and
 * the supplements for JPEG and Deflate): runs come to a strip's lines, deflated data unpack, and pictures in JPEG read.
 */
final class TiffPieces {

    private static final int RUNS = 32_773;
    private static final int DEFLATE = 8;
    private static final int DEFLATE_BEFORE = 32_946;
    private static final int JPEG = 7;
    private static final int JPEG_TABLES = 347;
    private static final int ROWS_PER_STRIP = 278;

    private final ByteView content;
    private final TiffTags tags;
    private final Coverage coverage = new Coverage();
    private long sound;
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
            boolean right =
                    switch ((int) packing) {
                        case RUNS -> PackBits.fill(content, at[i], bytes[i], lines * lineBytes);
                        case JPEG -> isPicture(d, at[i], bytes[i]);
                        default -> unpacks(at[i], bytes[i]);
                    };
            if (right) {
                sound++;
                coverage.stretch(at[i], at[i] + bytes[i]);
            } else if (firstWrong < 0) {
                firstWrong = at[i];
            }
        }
    }

    private boolean unpacks(long at, long bytes) throws IOException {
        try {
            long end = new Deflated(content, Deflated.Sink.NONE).read(at + 2);
            return end > 0 && end <= at + bytes;
        } catch (ByteView.End e) {
            return false;
        }
    }

    /** A piece is a picture of its own, or goes on with tables that all share. */
    private boolean isPicture(TiffTags.Directory d, long at, long bytes) throws IOException {
        TiffTags.Entry tables = d.get(JPEG_TABLES);
        ByteView picture = tables == null || tables.bytes() < 4
                ? content.joined(List.of(new Range(at, bytes)))
                : content.joined(
                        List.of(new Range(tables.valueAt(), tables.bytes() - 2), new Range(at + 2, bytes - 2)));
        try {
            return Jpeg.picture(picture).whole();
        } catch (ByteView.End e) {
            return false;
        }
    }

    /** Where a piece stands that is not as it should be; -1 when none is, or none at all is as is understood here. */
    long firstWrong() {
        return sound == 0 ? -1 : firstWrong;
    }

    long checkedBytes() {
        return coverage.bytes();
    }
}
