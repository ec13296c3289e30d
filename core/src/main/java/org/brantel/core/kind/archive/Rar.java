package org.brantel.core.kind.archive;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.Start;

/**
 * RAR 4 and 5 by their published technical notes, little-endian. Blocks: in version 4 a CRC (2 bytes, the low half of
 * CRC-32), a type, flags (2), a length (2) and, with flag 8000, the length of data behind it (4); in version 5 a
 * CRC-32, then numbers of 7 bits a byte: length of the head, type, flags, with flag 1 of an extra part, with flag 2 of
 * data. The end block ends the file.
 */
final class Rar implements ContentKind {

    private static final int END_4 = 0x7b;
    private static final int END_5 = 5;
    private static final int MOST_FILLING = 64;
    private static final int MOST_BLOCKS = 1 << 20;

    @Override
    public String code() {
        return "rar";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("Rar!\u001a\u0007\0"), Start.of("Rar!\u001a\u0007\u0001\0"));
    }

    @Override
    public long longest() {
        return 64L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        return content.u8(6) == 0 ? four(content) : five(content);
    }

    private static Walk four(ByteView content) throws IOException {
        Coverage coverage = new Coverage();
        long at = 7;
        for (int blocks = 1; blocks < MOST_BLOCKS; blocks++) {
            int type = content.u8(at + 2);
            int flags = content.u16le(at + 3);
            int head = content.u16le(at + 5);
            if (type < 0x72
                    || type > END_4
                    || head < 7
                    || (Bytes.crc32(content, at + 2, head - 2) & 0xffff) != content.u16le(at)) {
                return Walk.broken(at, "a block's CRC is wrong");
            }
            long data = (flags & 0x8000) != 0 || type == 0x74 ? content.u32le(at + 7) : 0;
            if (type == 0x74 && (flags & 0x100) != 0) {
                data |= content.u32le(at + 32) << 32;
            }
            if (data < 0 || data > content.length() - at - head) {
                return Walk.broken(at, "a block leaves the content");
            }
            coverage.stretch(at, at + head);
            at += head + data;
            if (type == END_4) {
                return Walk.fitting(at, "The CRC of each of its " + blocks + " blocks is right.")
                        .proving(coverage.bytes())
                        .closing();
            }
        }
        return Walk.broken(at, "it has too many blocks");
    }

    private static Walk five(ByteView content) throws IOException {
        Coverage coverage = new Coverage();
        long[] at = {8};
        for (int blocks = 1; blocks < MOST_BLOCKS; blocks++) {
            long begin = at[0];
            at[0] += 4;
            long head = Bytes.sevenBits(content, at);
            long body = at[0];
            if (head < 2
                    || head > 2 << 20
                    || Bytes.crc32(content, begin + 4, body - begin - 4 + head) != content.u32le(begin)) {
                return Walk.broken(begin, "a block's CRC is wrong");
            }
            long type = Bytes.sevenBits(content, at);
            long flags = Bytes.sevenBits(content, at);
            if ((flags & 1) != 0) {
                Bytes.sevenBits(content, at);
            }
            long data = (flags & 2) != 0 ? Bytes.sevenBits(content, at) : 0;
            if (data < 0 || data > content.length() - body - head) {
                return Walk.broken(begin, "a block leaves the content");
            }
            coverage.stretch(begin, body + head);
            at[0] = body + head + data;
            if (type == END_5 && isFollowed(content, at[0], body, flags)) {
                return Walk.likely(
                        afterFilling(content, at[0]),
                        "The CRC of each of its " + blocks + " blocks is right; another volume follows this one, and"
                                + " zeros behind its end may fill it up to the size of all.");
            }
            if (type == END_5) {
                return Walk.fitting(at[0], "The CRC of each of its " + blocks + " blocks is right.")
                        .proving(coverage.bytes())
                        .closing();
            }
        }
        return Walk.broken(at[0], "it has too many blocks");
    }

    /** Whether a volume of several says that it is not the last (flag 1 of the end block), with zeros behind it. */
    private static boolean isFollowed(ByteView content, long end, long body, long flags) throws IOException {
        long[] at = {body};
        Bytes.sevenBits(content, at);
        Bytes.sevenBits(content, at);
        if ((flags & 1) != 0) {
            Bytes.sevenBits(content, at);
        }
        return (Bytes.sevenBits(content, at) & 1) != 0 && end < content.length() && content.u8(end) == 0;
    }

    /** Volumes are mostly asked for in KiB: a few zeros up to a multiple of that fill one up. */
    private static long afterFilling(ByteView content, long end) throws IOException {
        long full = (end + 1023) / 1024 * 1024;
        if (full - end > MOST_FILLING || full > content.length()) {
            return end;
        }
        for (long at = end; at < full; at++) {
            if (content.u8(at) != 0) {
                return end;
            }
        }
        return full;
    }
}
