package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Resumable;
import org.brantel.core.kind.Start;
import org.jspecify.annotations.Nullable;

/**
 * JPEG (ITU-T T.81, annex B): SOI, marker segments, scans of entropy-coded data, EOI. A segment is FF, a code, and,
 * but for SOI, EOI and RSTn, a 2-byte big-endian length that counts itself.
 *
 * <p>The check reads every Huffman code of every scan (sequential and progressive) without computing a picture: the
 * number of blocks that the frame promises must come out exactly where the next marker stands. Foreign bytes in the
 * middle do not survive that. Arithmetic-coded and lossless frames are walked by their markers alone.
 */
final class Jpeg implements ContentKind {

    static final int SOI = 0xd8;
    static final int EOI = 0xd9;
    private static final int SECTOR = 512;
    /** Bytes before a break from which on what is left is worth showing. */
    private static final int LEAST_SHOWN = 4096;

    private static final long LEAST_AHEAD = 256 << 10;
    private static final int MOST_MARKS = 32;

    @Override
    public String code() {
        return "jpg";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("\u00ff\u00d8\u00ff"));
    }

    @Override
    public boolean couldStart(byte[] block, int at) {
        int next = block[at + 3] & 0xff;
        return next >= 0xc0 && next != 0xff && next != EOI && next != SOI;
    }

    @Override
    public long longest() {
        return 512L << 20;
    }

    /** A file of several pictures (CIPA DC-007) goes on behind the first one's end mark. */
    @Override
    public Walk walk(ByteView content) throws IOException {
        Walk first = picture(content);
        if (!first.whole()) {
            return first;
        }
        long end = first.length();
        int pictures = 1;
        for (long more : MultiPicture.others(content)) {
            if (more < end || more > end + MultiPicture.MOST_BETWEEN || more >= content.length()) {
                continue;
            }
            Walk next = picture(content.from(more));
            if (!next.whole()) {
                return first;
            }
            end = more + next.length();
            pictures++;
        }
        return pictures == 1
                ? first
                : Walk.whole(end, first.words() + " " + pictures + " pictures in one file.")
                        .about(first.about());
    }

    /** One picture, without others behind it. */
    static Walk picture(ByteView content) throws IOException {
        if (content.u16be(0) != 0xff00 + SOI) {
            return Walk.broken(0, "does not begin as a JPEG");
        }
        JpegWalk walk = new JpegWalk(content);
        Walk end = walk.go();
        return end.whole() || !walk.hasPicture() || end.length() < LEAST_SHOWN ? end : damaged(content, end);
    }

    /**
     * Of a picture that breaks within its data all that was read before can be shown. It goes on to its end mark: the
     * next one that zeros follow up to the sector's end, else the next one.
     */
    private static Walk damaged(ByteView content, Walk broken) throws IOException {
        long last = Math.min(content.length(), broken.length() + Math.max(LEAST_AHEAD, broken.length() * 4));
        long end = -1;
        int marks = 0;
        for (long at = content.find(0xff, broken.length(), last);
                at >= 0 && at + 1 < content.length() && marks < MOST_MARKS;
                at = content.find(0xff, at + 1, last)) {
            int code = content.u8(at + 1);
            if (code == SOI && at % SECTOR == 0) {
                break;
            }
            if (code == EOI) {
                marks++;
                boolean filled = isFilled(content, at + 2);
                end = end < 0 || filled ? at + 2 : end;
                if (filled) {
                    break;
                }
            }
        }
        return end < 0
                ? broken
                : Walk.damaged(
                                end,
                                "Its picture data read up to byte " + broken.length()
                                        + " and break there; its end mark stands at byte " + (end - 2) + ".")
                        .about(broken.about());
    }

    private static boolean isFilled(ByteView content, long from) throws IOException {
        long end = Math.min(content.length(), (from + SECTOR - 1) / SECTOR * SECTOR);
        for (long at = from; at < end; at++) {
            if (content.u8(at) != 0) {
                return false;
            }
        }
        return true;
    }

    @Override
    public @Nullable Resumable resumable(ByteView content) throws IOException {
        JpegWalk walk = new JpegWalk(content);
        walk.keepPlaces();
        Walk broken;
        try {
            broken = walk.go();
        } catch (ByteView.End | ByteView.Unread e) {
            broken = Walk.broken(content.length(), "the content ends first");
        }
        return !broken.isMendable() || walk.places().isEmpty() ? null : new JpegAgain(walk, broken);
    }
}
