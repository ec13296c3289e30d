package org.brantel.core.kind.media;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * FLAC (RFC 9639), big-endian: "fLaC", metadata blocks (a flag for the last and a type, a length of 3 bytes), then
 * frames. Each frame is gone through to its end, which its header does not state, and its CRC-16 is checked. The stream
 * information says how many samples there are; with the last of them the file ends.
 */
final class Flac implements ContentKind {

    private static final int STREAM_INFO = 0;
    private static final int COMMENTS = 4;
    private static final int MOST_BLOCKS = 200;

    @Override
    public String code() {
        return "flac";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("fLaC"));
    }

    private static final int MOST_FOREIGN = 64 << 10;
    private static final int FEWEST_KEPT = 3;

    @Override
    public long longest() {
        return 4L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        long at = 4;
        long samples = 0;
        int channels = 0;
        int bits = 0;
        int rate = 0;
        About about = About.NONE;
        boolean last = !Bytes.text(content, 0, 4).equals("fLaC");
        for (int i = 0; !last; i++) {
            int head = content.u8(at);
            int length = content.u8(at + 1) << 16 | content.u16be(at + 2);
            if (i > MOST_BLOCKS
                    || (head & 0x7f) == 127
                    || (i == 0) != ((head & 0x7f) == STREAM_INFO)
                    || length > content.length() - at - 4) {
                return Walk.broken(at, "a metadata block is malformed");
            }
            if (i == 0) {
                long packed = content.i64be(at + 14);
                rate = (int) (packed >>> 44);
                channels = (int) (packed >>> 41 & 7) + 1;
                bits = (int) (packed >>> 36 & 31) + 1;
                samples = packed & 0xfffffffffL;
            } else if ((head & 0x7f) == COMMENTS) {
                about = Comments.in(
                        new String(content.bytes(at + 4, Math.min(length, 4096)), StandardCharsets.UTF_8), about);
            }
            last = (head & 0x80) != 0;
            at += 4 + length;
        }
        FlacFrames frames = new FlacFrames(content, channels, bits);
        long done = 0;
        int count = 0;
        long brokenAt = -1;
        while (samples == 0 || done < samples) {
            long end = samples == 0 && (at + 2 > content.length() || content.u16be(at) >> 2 != 0x3ffe)
                    ? -1
                    : frames.frame(at);
            if (end < 0) {
                long again = count == 0 || samples == 0 ? -1 : frames.next(at + 1, at + MOST_FOREIGN);
                if (again < 0) {
                    break;
                }
                brokenAt = brokenAt < 0 ? at : brokenAt;
                at = again;
                continue;
            }
            done += frames.samples();
            count++;
            at = end;
        }
        if (brokenAt >= 0 && count > FEWEST_KEPT) {
            return Walk.damaged(
                            at,
                            "The CRC of each of " + count + " frames is right, but from byte " + brokenAt
                                    + " on stand other bytes.")
                    .about(about);
        }
        if (count == 0 || done < samples) {
            return Walk.broken(at, "frame " + (count + 1) + " is malformed or its CRC is wrong");
        }
        return Walk.whole(at, "The CRC of each of its " + count + " frames is right.")
                .about(about.with(
                        About.SECONDS, rate == 0 ? null : String.format(Locale.ROOT, "%.1f", done / (double) rate)));
    }
}
