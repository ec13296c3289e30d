package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * MPEG audio, layers II and III (ISO/IEC 11172-3 and 13818-3), with tags before (ID3v2.4) and behind. A frame's
 * header of 4 bytes says how long it is; all frames of a file have one version, layer and rate. Where the first frame
 * counts the others (Xing or Info), the count must come out.
 */
final class Mp3 implements ContentKind {

    private static final int[][] KBIT = {
        {0, 32, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320, 384, -1},
        {0, 32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320, -1},
        {0, 8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160, -1}
    };
    private static final int[] RATES = {44100, 48000, 32000, 0};
    /** Version, layer and sampling rate in a header. */
    private static final int SAME = 0x1e0c00;

    private static final int FEWEST = 24;
    private static final int FEWEST_WITH_TAG = 4;
    private static final int FEWEST_ZEROS = 16;
    private static final int SECTOR = 512;
    private static final int MOST_FOREIGN = 16 << 10;

    @Override
    public String code() {
        return "mp3";
    }

    @Override
    public List<Start> starts() {
        return List.of(
                Start.of("ID3"),
                Start.of("\u00ff\u00fb"),
                Start.of("\u00ff\u00fa"),
                Start.of("\u00ff\u00f3"),
                Start.of("\u00ff\u00f2"),
                Start.of("\u00ff\u00e3"),
                Start.of("\u00ff\u00e2"));
    }

    @Override
    public boolean couldStart(byte[] b, int at) {
        if (b[at] == 'I') {
            return b[at + 3] >= 2
                    && b[at + 3] <= 4
                    && b[at + 4] != -1
                    && (b[at + 6] | b[at + 7] | b[at + 8] | b[at + 9]) >= 0;
        }
        int head = (b[at] & 0xff) << 24 | (b[at + 1] & 0xff) << 16 | (b[at + 2] & 0xff) << 8 | b[at + 3] & 0xff;
        return frameBytes(head) > 0;
    }

    @Override
    public boolean isDistinct() {
        return false;
    }

    @Override
    public long longest() {
        return 1L << 30;
    }

    /** @return bytes of a frame with this header; 0 when it is none */
    private static int frameBytes(int head) {
        int version = head >> 19 & 3;
        int layer = head >> 17 & 3;
        int rate = RATES[head >> 10 & 3];
        if (head >>> 21 != 0x7ff || version == 1 || layer == 0 || layer == 3 || rate == 0 || (head & 3) == 2) {
            return 0;
        }
        boolean first = version == 3;
        int kbit = KBIT[!first ? 2 : layer == 2 ? 0 : 1][head >> 12 & 15];
        int samplesBy8 = layer == 1 && !first ? 72 : 144;
        rate = first ? rate : version == 2 ? rate / 2 : rate / 4;
        return kbit <= 0 ? 0 : samplesBy8 * kbit * 1000 / rate + (head >> 9 & 1);
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        About about = About.NONE;
        long at = 0;
        boolean tagged = Bytes.text(content, 0, 3).equals("ID3");
        if (tagged) {
            about = Mp3Tags.about(content);
            at = 10 + Mp3Tags.synchsafe(content, 6) + ((content.u8(5) & 0x10) != 0 ? 10 : 0);
        }
        long firstFrame = at;
        int same = -1;
        long frames = 0;
        long lastFrame = 0;
        long samples = 0;
        long counted = -1;
        long brokenAt = -1;
        while (at + 4 <= content.length()) {
            int head = (int) content.u32be(at);
            int bytes = frameBytes(head);
            if (bytes < 24 || bytes > content.length() - at || same >= 0 && (head & SAME) != same) {
                long again = frames < FEWEST ? -1 : again(content, at, same);
                if (again < 0) {
                    break;
                }
                brokenAt = brokenAt < 0 ? at : brokenAt;
                at = again;
                continue;
            }
            if (same < 0) {
                same = head & SAME;
                counted = counted(content, at, head, bytes);
            }
            frames++;
            lastFrame = at;
            samples += (head >> 17 & 3) == 1 && (head >> 19 & 3) != 3 ? 576 : 1152;
            at += bytes;
        }
        long behind = counted >= 0 ? frames - 1 : frames;
        if (frames < (tagged || counted > 0 ? FEWEST_WITH_TAG : FEWEST)) {
            return Walk.broken(at, "there are only " + frames + " frames in a row");
        }
        long end = Mp3Tags.after(content, Mp3Tags.afterCutFrame(content, at));
        int head = (int) content.u32be(firstFrame);
        int version = head >> 19 & 3;
        int rate = RATES[head >> 10 & 3] / (version == 3 ? 1 : version == 2 ? 2 : 4);
        about = about.with(About.SECONDS, String.format(Locale.ROOT, "%.1f", samples / (double) Math.max(1, rate)));
        if (brokenAt >= 0) {
            return Walk.damaged(
                            end,
                            frames + " frames follow each other, but for other bytes from byte " + brokenAt + " on.")
                    .about(about);
        }
        long zeros = end == at ? zerosBefore(content, at) : 0;
        if (zeros >= FEWEST_ZEROS && zerosBefore(content, lastFrame) < FEWEST_ZEROS) {
            return Walk.likely(end - zeros, frames + " frames follow each other; the last one may be cut.")
                    .about(about);
        }
        return (counted > 0 && behind < counted
                        ? Walk.likely(end, "Its first frame counts " + counted + " others, there are " + behind + ".")
                        : counted > 0
                                ? Walk.whole(end, "All " + frames + " frames follow each other, as many as it counts.")
                                : Walk.fitting(end, frames + " frames follow each other.")
                                        .proving(end - firstFrame))
                .about(about);
    }

    /**
     * Where frames go on as before behind other bytes. What begins at a sector's edge is another file's, and before
     * zeros a file ends.
     *
     * @return -1 when they do not
     */
    private static long again(ByteView content, long broken, int same) throws IOException {
        long last = Math.min(content.length() - 4, broken + MOST_FOREIGN);
        for (long at = broken; at < last; at++) {
            int value = content.u8(at);
            if (at < broken + FEWEST_ZEROS && value == 0 && content.u32be(at) == 0
                    || at % SECTOR == 0
                            && value == 'I'
                            && Bytes.text(content, at, 3).equals("ID3")) {
                return -1;
            }
            if (value == 0xff && at % SECTOR != 0 && isChain(content, at, same)) {
                return at;
            }
        }
        return -1;
    }

    private static boolean isChain(ByteView content, long from, int same) throws IOException {
        long at = from;
        for (int i = 0; i < FEWEST_WITH_TAG; i++) {
            int head = at + 4 > content.length() ? 0 : (int) content.u32be(at);
            int bytes = frameBytes(head);
            if (bytes < 24 || (head & SAME) != same) {
                return false;
            }
            at += bytes;
        }
        return true;
    }

    private static long zerosBefore(ByteView content, long end) throws IOException {
        long at = end;
        while (at > 0 && end - at < Mp3Tags.LONGEST_FRAME && content.u8(at - 1) == 0) {
            at--;
        }
        return end - at;
    }

    /** The number of frames behind the first, when that is there to count them; -1 when it is an ordinary one. */
    private static long counted(ByteView content, long at, int head, int bytes) throws IOException {
        boolean mono = (head >> 6 & 3) == 3;
        boolean first = (head >> 19 & 3) == 3;
        long mark = at + 4 + (first ? mono ? 17 : 32 : mono ? 9 : 17);
        if (bytes < mark - at + 12) {
            return -1;
        }
        String name = Bytes.text(content, mark, 4);
        if (!name.equals("Xing") && !name.equals("Info")) {
            return -1;
        }
        return (content.u8(mark + 7) & 1) != 0 ? content.u32be(mark + 8) : 0;
    }
}
