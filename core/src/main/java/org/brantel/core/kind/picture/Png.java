package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Resumable;
import org.brantel.core.kind.Start;
import org.jspecify.annotations.Nullable;

/**
 * PNG (ISO/IEC 15948, section 5): an 8-byte signature, then chunks, big-endian:
 *
 * <pre>
 * offset size field
 *      0    4  length of the data, at most 2^31 - 1
 *      4    4  type, four ASCII letters; IHDR first, IEND last
 *      8    n  data
 *    8+n    4  CRC-32 over type and data
 * </pre>
 */
final class Png implements ContentKind {

    private static final byte[] SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10};
    /** Bytes of the longest chunk whose inside is searched for the place where another piece begins. */
    private static final long MOST_JOINED = 4 << 20;

    private static final byte[] LAST = {'I', 'E', 'N', 'D'};
    private static final long IHDR = 0x49484452;
    private static final long IDAT = 0x49444154;
    private static final long TEXT = 0x74455874;
    private static final long IEND = 0x49454e44;

    @Override
    public String code() {
        return "png";
    }

    @Override
    public List<Start> starts() {
        return List.of(new Start(0, SIGNATURE));
    }

    @Override
    public long longest() {
        return 2L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        if (!content.startsWith(0, SIGNATURE)) {
            return Walk.broken(0, "does not begin as a PNG");
        }
        return new Chunks(content).go();
    }

    @Override
    public @Nullable Resumable resumable(ByteView content) throws IOException {
        Chunks chunks = new Chunks(content);
        Walk broken = chunks.go();
        return broken.whole() || chunks.count == 0 ? null : new Again(chunks, broken);
    }

    /** The chunks so far. */
    private static final class Chunks {
        private final ByteView content;
        private long at = SIGNATURE.length;
        private int count;
        private boolean data;
        private About about = About.NONE;

        Chunks(ByteView content) {
            this.content = content;
        }

        Chunks(Chunks before, ByteView content) {
            this(content);
            at = before.at;
            count = before.count;
            data = before.data;
            about = before.about;
        }

        Walk go() throws IOException {
            if (count == 0) {
                about = about.with(About.WIDTH, content.u32be(16)).with(About.HEIGHT, content.u32be(20));
            }
            while (true) {
                long length = content.u32be(at);
                long type = content.u32be(at + 4);
                if (length > Integer.MAX_VALUE || !letters(type) || (count == 0) != (type == IHDR)) {
                    return Walk.broken(at, "a chunk is malformed");
                }
                if (length > content.length() - at - 12) {
                    return Walk.broken(at, "a chunk of " + length + " bytes leaves the content");
                }
                if (Bytes.crc32(content, at + 4, length + 4) != content.u32be(at + 8 + length)) {
                    return Walk.broken(at, "a chunk's CRC is wrong");
                }
                data |= type == IDAT;
                about = type == TEXT ? told(content, at + 8, length, about) : about;
                at += 12 + length;
                count++;
                if (type == IEND) {
                    return data
                            ? Walk.whole(at, "Every chunk's CRC is right (" + count + " chunks).")
                                    .about(about)
                            : Walk.broken(at, "no picture data before the end");
                }
            }
        }
    }

    /** From the chunk on that is wrong: it began in order, and what it holds is in two places, or its end is. */
    private record Again(Chunks chunks, Walk broken) implements Resumable {
        @Override
        public long earliest() {
            return chunks.at;
        }

        @Override
        public long latest() {
            try {
                long length = chunks.content.u32be(chunks.at);
                return length > MOST_JOINED || !letters(chunks.content.u32be(chunks.at + 4))
                        ? chunks.at + 8
                        : chunks.at + 12 + length;
            } catch (IOException beyond) {
                return chunks.at;
            }
        }

        @Override
        public Walk resume(ByteView other, long same) throws IOException {
            return new Chunks(chunks, other).go();
        }

        @Override
        public boolean couldContinue(byte[] block, int at, int length) {
            int high = 0;
            for (int i = at; i < at + length; i++) {
                high += (block[i] & 0xff) >> 7;
                if (block[i] == 'I' && Bytes.match(block, i, LAST)) {
                    return true;
                }
            }
            return high > length / 16;
        }
    }

    /** A keyword, a zero byte, and what it says (section 11.3.4.3). */
    private static About told(ByteView content, long at, long length, About about) throws IOException {
        String text = Bytes.text(content, at, (int) Math.min(length, 300));
        int zero = text.indexOf(0);
        String what = zero < 0 ? "" : text.substring(0, zero);
        String said = text.substring(zero + 1);
        return what.equals("Title")
                ? about.with(About.TITLE, said)
                : what.equals("Author") ? about.with(About.AUTHOR, said) : about;
    }

    private static boolean letters(long type) {
        for (int shift = 0; shift < 32; shift += 8) {
            int c = (int) (type >> shift & 0xdf);
            if (c < 'A' || c > 'Z') {
                return false;
            }
        }
        return true;
    }
}
