package org.brantel.core.kind.archive;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.Start;

/**
 * Zstandard (RFC 8878), little-endian: 28 B5 2F FD, a descriptor, window, dictionary and content size as it says, then
 * blocks: 3 bytes with the last flag in bit 0, the type in bits 1 and 2, the size above; at the end a checksum if the
 * descriptor says so.
 */
final class Zstd implements ContentKind {

    private static final long MAGIC = 0xfd2fb528L;
    private static final int MOST_BLOCK = 128 << 10;

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
            at += 5 + (single ? 0 : 1) + dictionary + size;
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
            at += (descriptor & 4) != 0 ? 4 : 0;
            if (at > content.length()) {
                return Walk.broken(content.length(), "a frame leaves the content");
            }
        }
        return Walk.fitting(at, "Its " + blocks + " blocks follow each other.").proving(coverage.bytes());
    }
}
