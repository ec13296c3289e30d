package org.brantel.core.kind.archive;

import java.io.IOException;
import java.util.List;
import org.apache.commons.compress.compressors.bzip2.BZip2CompressorInputStream;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.LittleEndian;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.Start;

/**
 * bzip2: "BZh", the block size as a digit, then blocks that begin with 314159265359 and their CRC at any bit, and an
 * end mark 177245385090 with a CRC made of theirs (rotated left by one, exclusive or). All marks are found bit by bit;
 * the sum proves that none is missing; then each block is unpacked for its own.
 */
final class Bzip2 implements ContentKind {

    private static final long BLOCK = 0x314159265359L;
    private static final long END = 0x177245385090L;
    private static final long MASK = 0xffffffffffffL;

    @Override
    public String code() {
        return "bz2";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("BZh"));
    }

    @Override
    public boolean couldStart(byte[] b, int at) {
        long mark = LittleEndian.u32(b, at + 4);
        return b[at + 3] >= '1' && b[at + 3] <= '9' && (mark == 0x26594131L || mark == 0x38457217L);
    }

    @Override
    public long longest() {
        return 4L << 30;
    }

    /** Streams follow each other. */
    @Override
    public Walk walk(ByteView content) throws IOException {
        Coverage coverage = new Coverage();
        Walk last = stream(content, 0, coverage);
        int streams = 1;
        while (last.whole() && begins(content, last.length())) {
            last = stream(content, last.length(), coverage);
            streams++;
        }
        if (!last.whole()) {
            return last;
        }
        long end = last.length();
        String which = streams == 1 ? "its stream" : "its " + streams + " streams";
        return switch (Unpacking.of(() ->
                new BZip2CompressorInputStream(Unpacking.stream(content.joined(List.of(new Range(0, end)))), true))) {
            case HOLDS -> Walk.whole(end, "All of " + which + " unpacks, and the CRC of each block is right.");
            case FAILS -> Walk.damaged(end, "The marks of " + which + " are right, but its blocks do not unpack.");
            case NOT_KNOWN ->
                Walk.fitting(end, "The CRCs of its blocks come to those at the end of " + which + ".")
                        .proving(coverage.bytes());
        };
    }

    private boolean begins(ByteView content, long at) throws IOException {
        return at + 14 <= content.length()
                && Bytes.text(content, at, 3).equals("BZh")
                && couldStart(content.bytes(at, 10), 0);
    }

    private static Walk stream(ByteView content, long from, Coverage coverage) throws IOException {
        long window = 0;
        long sum = 0;
        int blocks = 0;
        // A block of n x 100,000 bytes never takes much more than that; where no mark comes, it is broken.
        long most = (content.u8(from + 3) - '0') * 110_000L + 10_000;
        long lastMark = from + 4;
        for (long at = from + 4; at < content.length() && at - lastMark < most; at++) {
            int value = content.u8(at);
            for (int bit = 7; bit >= 0; bit--) {
                window = (window << 1 | value >> bit & 1) & MASK;
                if (window == BLOCK) {
                    long crc = bits32(content, at, bit);
                    sum = (sum << 1 | sum >>> 31) & 0xffffffffL ^ crc;
                    blocks++;
                    coverage.place(at);
                    lastMark = at;
                } else if (window == END) {
                    if (bits32(content, at, bit) != sum) {
                        return Walk.broken(at, "its blocks' CRCs do not come to the one at its end");
                    }
                    coverage.place(at);
                    return Walk.whole(at + 4 + 1, "The CRCs of its " + blocks + " blocks come to the one at its end.")
                            .proving(coverage.bytes());
                }
            }
        }
        return Walk.broken(lastMark, "no end mark comes");
    }

    /** The 32 bits after a bit of a byte. */
    private static long bits32(ByteView content, long at, int bit) throws IOException {
        long value = content.u8(at) & (1 << bit) - 1;
        for (int i = 1; i <= 4; i++) {
            value = value << 8 | content.u8(at + i);
        }
        return value >>> bit & 0xffffffffL;
    }
}
