package org.brantel.core.kind.archive;

import com.github.luben.zstd.ZstdInputStream;
import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.Start;

/**
 * Zstandard (RFC 8878), little-endian: 28 B5 2F FD, a descriptor, window, dictionary and content size as it says, then
 * blocks: 3 bytes with the last flag in bit 0, the type in bits 1 and 2, the size above; at the end a checksum if the
 * descriptor says so. What has all of its blocks is unpacked.
 */
final class Zstd implements ContentKind {

    private static final long MAGIC = 0xfd2fb528L;
    private static final int MOST_BLOCK = 128 << 10;
    /** In the descriptor: a checksum of what it unpacks to stands at the end. */
    private static final int CHECKED = 4;
    /** What an unpacker may take of memory. */
    private static final long MOST_WINDOW = 128L << 20;

    @Override
    public String code() {
        return "zst";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("(\u00b5/\u00fd"));
    }

    @Override
    public boolean couldStart(byte[] b, int at) {
        return (b[at + 4] & 0x08) == 0;
    }

    @Override
    public long longest() {
        return 16L << 30;
    }

    /** A frame of data, or one that is passed over (section 3.1.2). */
    private static boolean isFrame(long magic) {
        return magic == MAGIC || (magic & 0xfffffff0L) == 0x184d2a50L;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        long at = 0;
        Coverage coverage = new Coverage();
        int blocks = 0;
        boolean checked = true;
        boolean unpackable = true;
        while (at == 0 || at + 9 <= content.length() && isFrame(content.u32le(at))) {
            if (content.u32le(at) != MAGIC) {
                at += 8 + content.u32le(at + 4);
                if (at > content.length()) {
                    return Walk.broken(content.length(), "a frame leaves the content");
                }
                continue;
            }
            int descriptor = content.u8(at + 4);
            boolean single = (descriptor & 0x20) != 0;
            int dictionary = new int[] {0, 1, 2, 4}[descriptor & 3];
            int size = descriptor >> 6 == 0 ? single ? 1 : 0 : 1 << (descriptor >> 6);
            long sizeAt = at + 5 + (single ? 0 : 1) + dictionary;
            // Two bytes of size count from 256; that little does not matter here.
            long window = single ? little(content, sizeAt, size) : window(content.u8(at + 5));
            unpackable &= dictionary == 0 && window >= 0 && window <= MOST_WINDOW;
            at = sizeAt + size;
            boolean last = false;
            while (!last) {
                coverage.place(at);
                int head = content.u8(at) | content.u16le(at + 1) << 8;
                int type = head >> 1 & 3;
                int bytes = head >> 3;
                last = (head & 1) != 0;
                if (type == 3 || bytes > MOST_BLOCK || type == 2 && bytes < 3) {
                    return Walk.broken(at, "a block is malformed");
                }
                at += 3 + (type == 1 ? 1 : bytes);
                blocks++;
            }
            checked &= (descriptor & CHECKED) != 0;
            at += (descriptor & CHECKED) != 0 ? 4 : 0;
            if (at > content.length()) {
                return Walk.broken(content.length(), "a frame leaves the content");
            }
        }
        Walk unchecked =
                Walk.fitting(at, "Its " + blocks + " blocks follow each other.").proving(coverage.bytes());
        return switch (unpackable ? unpacking(content.joined(List.of(new Range(0, at)))) : Unpacking.NOT_KNOWN) {
            case HOLDS ->
                checked
                        ? Walk.whole(at, "All of its " + blocks + " blocks unpack, and the checksums are right.")
                        : unchecked.saying(
                                "All of its " + blocks + " blocks unpack; it was written without checksums.");
            case FAILS -> Walk.damaged(at, "Its " + blocks + " blocks follow each other, but do not unpack.");
            case NOT_KNOWN -> unchecked;
        };
    }

    private static Unpacking unpacking(ByteView content) throws IOException {
        return Unpacking.of(() -> new ZstdInputStream(Unpacking.stream(content)));
    }

    /** How far back a frame refers: an exponent in the upper five bits, eighths in the others (section 3.1.1.1.2). */
    private static long window(int stated) {
        long base = 1L << 10 + (stated >> 3);
        return base + base / 8 * (stated & 7);
    }

    private static long little(ByteView content, long at, int bytes) throws IOException {
        long value = 0;
        for (int i = bytes - 1; i >= 0; i--) {
            value = value << 8 | content.u8(at + i);
        }
        return value;
    }
}
