package org.brantel.core.kind.archive;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.Start;
import org.tukaani.xz.XZInputStream;

/**
 * xz (The .xz File Format 1.2.1): a stream header (FD 37 7A 58 5A 00, flags, CRC-32), blocks, an index, a footer
 * (CRC-32, size of the index, flags, "YZ"). LZMA2 data are a run of chunks that state their lengths, so that a block's
 * end is found without unpacking; what has all of its ends is unpacked for the check of each block.
 */
final class Xz implements ContentKind {

    private static final byte[] MAGIC = Bytes.latin("\u00fd7zXZ\0");
    /** A stream that begins where the next sector does is a file of its own. */
    private static final int MOST_PADDING = 256;

    /** What an unpacker may take of memory, KiB: the dictionary of the highest usual level. */
    private static final int MOST_KIB = 80 << 10;

    private static final int[] CHECK_BYTES = {0, 4, 4, 4, 8, 8, 8, 16, 16, 16, 32, 32, 32, 64, 64, 64};

    @Override
    public String code() {
        return "xz";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("\u00fd7zXZ\0"));
    }

    @Override
    public long longest() {
        return 16L << 30;
    }

    /** Streams follow each other, with zeros in fours between them (section 2). */
    @Override
    public Walk walk(ByteView content) throws IOException {
        Coverage coverage = new Coverage();
        Walk last = stream(content, 0, coverage);
        int streams = 1;
        while (last.whole() && begins(content, afterZeros(content, last.length()))) {
            last = stream(content, afterZeros(content, last.length()), coverage);
            streams++;
        }
        if (!last.whole()) {
            return last;
        }
        long end = last.length();
        String which = streams == 1 ? "its stream" : "its " + streams + " streams";
        return switch (Unpacking.of(
                () -> new XZInputStream(Unpacking.stream(content.joined(List.of(new Range(0, end)))), MOST_KIB))) {
            case HOLDS -> unpacked(content, end, which, coverage).closing();
            case FAILS -> Walk.damaged(end, "Heads and ends of " + which + " are right, but its blocks do not unpack.");
            case NOT_KNOWN ->
                Walk.fitting(end, "Headers, indexes and footers of " + which + " have the right CRCs.")
                        .proving(coverage.bytes())
                        .closing();
        };
    }

    private static Walk unpacked(ByteView content, long end, String which, Coverage coverage) throws IOException {
        return (content.u8(7) & 15) == 0
                ? Walk.fitting(end, "All of " + which + " unpacks; it was written without checks.")
                        .proving(coverage.bytes())
                : Walk.whole(end, "All of " + which + " unpacks, and the check of each block is right.");
    }

    private static boolean begins(ByteView content, long at) throws IOException {
        return content.startsWith(at, MAGIC)
                && at + 12 <= content.length()
                && Bytes.crc32(content, at + 6, 2) == content.u32le(at + 8);
    }

    private static long afterZeros(ByteView content, long from) throws IOException {
        long at = from;
        while (at - from < MOST_PADDING && at + 4 <= content.length() && content.u32le(at) == 0) {
            at += 4;
        }
        return at;
    }

    private static Walk stream(ByteView content, long from, Coverage coverage) throws IOException {
        if (Bytes.crc32(content, from + 6, 2) != content.u32le(from + 8) || content.u8(from + 6) != 0) {
            return Walk.broken(from + 6, "the stream header's CRC is wrong");
        }
        int check = CHECK_BYTES[content.u8(from + 7) & 15];
        long at = from + 12;
        long blocks = 0;
        while (content.u8(at) != 0) {
            int head = (content.u8(at) + 1) * 4;
            if (Bytes.crc32(content, at, head - 4) != content.u32le(at + head - 4)) {
                return Walk.broken(at, "a block header's CRC is wrong");
            }
            long end = afterChunks(content, at + head, coverage);
            if (end < 0) {
                return Walk.broken(at, "a block's data are malformed");
            }
            at = fours(from, end) + check;
            blocks++;
        }
        long index = at;
        long[] place = {at + 1};
        long records = Bytes.sevenBits(content, place);
        if (records != blocks) {
            return Walk.broken(index, "the index names " + records + " blocks, there are " + blocks);
        }
        for (long i = 0; i < records * 2; i++) {
            Bytes.sevenBits(content, place);
        }
        at = fours(from, place[0]);
        if (Bytes.crc32(content, index, at - index) != content.u32le(at)) {
            return Walk.broken(index, "the index's CRC is wrong");
        }
        long footer = at + 4;
        if (content.u16be(footer + 10) != 0x595a
                || Bytes.crc32(content, footer + 4, 6) != content.u32le(footer)
                || (content.u32le(footer + 4) + 1) * 4 != footer - index) {
            return Walk.broken(footer, "the footer is malformed");
        }
        coverage.stretch(index, footer + 12);
        return Walk.fitting(footer + 12, "Headers, index and footer have the right CRCs.")
                .proving(coverage.bytes())
                .closing();
    }

    private static long fours(long from, long at) {
        return from + (at - from + 3) / 4 * 4;
    }

    /**
     * LZMA2 chunks: 0 ends; 1 and 2 store 2 bytes + 1; from 80 on: size unpacked 2 bytes, packed 2 bytes + 1,
     * properties from C0 on.
     */
    private static long afterChunks(ByteView content, long from, Coverage coverage) throws IOException {
        long at = from;
        while (true) {
            coverage.place(at);
            int control = content.u8(at);
            if (control == 0) {
                return at + 1;
            }
            if (control < 0x80) {
                if (control > 2) {
                    return -1;
                }
                at += 3 + content.u16be(at + 1) + 1;
            } else {
                at += 5 + (control >= 0xc0 ? 1 : 0) + content.u16be(at + 3) + 1;
            }
        }
    }
}
