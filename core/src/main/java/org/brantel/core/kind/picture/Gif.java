package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * GIF (GIF89a), little-endian: "GIF87a" or "GIF89a", width and height (2 bytes each), flags (global colours in bit 7,
 * their number in bits 0 to 2), 2 bytes, the colours; then blocks: 21 extension, 2C picture, 3B the end. Data stand in
 * sub-blocks of a length byte and so many bytes, up to one of length 0. Every code of every picture is read: they must
 * come to as many points as it has.
 */
final class Gif implements ContentKind {

    private static final int EXTENSION = 0x21;
    private static final int PICTURE = 0x2c;
    private static final int END = 0x3b;

    @Override
    public String code() {
        return "gif";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("GIF87a"), Start.of("GIF89a"));
    }

    @Override
    public long longest() {
        return 256L << 20;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        int width = content.u16le(6);
        int height = content.u16le(8);
        int flags = content.u8(10);
        long at = 13 + ((flags & 0x80) != 0 ? 3L << (flags & 7) + 1 : 0);
        int pictures = 0;
        long strange = -1;
        while (true) {
            int block = content.u8(at);
            if (block == END) {
                if (pictures == 0) {
                    return Walk.broken(at, "it ends without a picture");
                }
                return strange >= 0
                        ? Walk.likely(
                                        at + 1,
                                        "Its blocks lead to its end, but the codes of the picture at byte " + strange
                                                + " do not come to its points.")
                                .about(About.NONE.with(About.WIDTH, width).with(About.HEIGHT, height))
                        : Walk.whole(
                                        at + 1,
                                        "Every code of its " + (pictures == 1 ? "picture" : pictures + " pictures")
                                                + " reads.")
                                .about(About.NONE.with(About.WIDTH, width).with(About.HEIGHT, height));
            }
            if (block == EXTENSION) {
                at = afterSubBlocks(content, at + 2);
            } else if (block == PICTURE) {
                long points = (long) content.u16le(at + 5) * content.u16le(at + 7);
                int own = content.u8(at + 9);
                at += 10 + ((own & 0x80) != 0 ? 3L << (own & 7) + 1 : 0);
                long end = points == 0 ? -1 : new Codes(content, at).read(points);
                strange = end < 0 && strange < 0 ? at : strange;
                at = end < 0 ? afterSubBlocks(content, at + 1) : end;
                pictures++;
            } else {
                return Walk.broken(
                        strange < 0 ? at : strange,
                        strange < 0 ? "a block does not belong there" : "a picture's codes do not come to its points");
            }
        }
    }

    private static long afterSubBlocks(ByteView content, long from) throws IOException {
        long at = from;
        for (int length = content.u8(at); length > 0; length = content.u8(at)) {
            at += length + 1;
        }
        return at + 1;
    }

    /** Variable-length codes (GIF89a, appendix F), read for the length of what they stand for. */
    private static final class Codes {
        private static final int MOST = 4096;
        private final ByteView content;
        private final int[] lengths = new int[MOST];
        private final int clear;
        private long at;
        private int left;
        private int bits;
        private int bitCount;

        Codes(ByteView content, long at) throws IOException {
            this.content = content;
            int size = content.u8(at);
            clear = size < 1 || size > 11 ? 0 : 1 << size;
            this.at = at + 1;
        }

        /** @return where the data end; -1 when they break the rules */
        long read(long points) throws IOException {
            if (clear == 0) {
                return -1;
            }
            long made = 0;
            int width = Integer.numberOfTrailingZeros(clear) + 1;
            int next = clear + 2;
            int before = 0;
            while (true) {
                int code = code(width);
                if (code < 0) {
                    return -1;
                }
                if (code == clear) {
                    width = Integer.numberOfTrailingZeros(clear) + 1;
                    next = clear + 2;
                    before = 0;
                    continue;
                }
                if (code == clear + 1) {
                    // Some writers stop a line early or late.
                    return made == points ? afterLast() : -1;
                }
                int length =
                        code < clear ? 1 : code < next ? lengths[code] : code == next && before > 0 ? before + 1 : -1;
                if (length < 0) {
                    return -1;
                }
                made += length;
                if (made > points) {
                    return -1;
                }
                if (before > 0 && next < MOST) {
                    lengths[next++] = before + 1;
                    if (next == 1 << width && width < 12) {
                        width++;
                    }
                }
                before = length;
            }
        }

        private int code(int width) throws IOException {
            while (bitCount < width) {
                if (left == 0) {
                    left = content.u8(at++);
                    if (left == 0) {
                        return -1;
                    }
                }
                bits |= content.u8(at++) << bitCount;
                bitCount += 8;
                left--;
            }
            int code = bits & (1 << width) - 1;
            bits >>>= width;
            bitCount -= width;
            return code;
        }

        private long afterLast() throws IOException {
            return afterSubBlocks(content, at + left);
        }
    }
}
