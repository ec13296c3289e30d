package org.brantel.core.kind.archive;

import java.io.IOException;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;

/**
 * The files of a ZIP, in the order in which they stand (APPNOTE 6.3, section 4.3.7), little-endian:
 *
 * <pre>
 * offset size field
 *      0    4  504B0304; 4 2 version
 *      6    2  flags: bit 0 encrypted, bit 3 CRC and sizes stand behind the data
 *      8    2  method: 0 stored, 8 deflated
 *     14    4  CRC-32; 18 4 packed size; 22 4 size; 26 2 length of the name; 28 2 length of the extra field
 *     30    n  name, extra field (1: sizes in 8 bytes each), data, and, with bit 3, 504B0708 (not always), CRC-32,
 *     packed size, size
 * </pre>
 */
final class ZipFiles {

    private static final long DESCRIPTOR = 0x08074b50;
    private static final long WIDE = 0xffffffffL;

    private final ByteView content;
    private final ZipContents contents;
    private int count;
    private String fault = "";
    private long failedAt;

    ZipFiles(ByteView content) {
        this.content = content;
        contents = new ZipContents();
    }

    /** Goes on over other content. */
    ZipFiles(ZipFiles before, ByteView content) {
        this.content = content;
        contents = before.contents.copy();
        count = before.count;
    }

    /**
     * Where foreign bytes must begin at the latest in the file that is malformed: where it did not unpack, or its end
     * as its head states it.
     */
    long latest(long at) throws IOException {
        return failedAt > at
                ? failedAt
                : at + 30 + content.u16le(at + 26) + content.u16le(at + 28) + content.u32le(at + 18);
    }

    int count() {
        return count;
    }

    ZipContents contents() {
        return contents;
    }

    /** What was wrong with the last one. */
    String fault() {
        return fault;
    }

    /** @return where the next record stands; -1 when this one is malformed or its CRC is wrong */
    long file(long at) throws IOException {
        int flags = content.u16le(at + 6);
        int method = content.u16le(at + 8);
        long crc = content.u32le(at + 14);
        long packed = content.u32le(at + 18);
        int nameBytes = content.u16le(at + 26);
        int extra = content.u16le(at + 28);
        long data = at + 30 + nameBytes + extra;
        String name = Bytes.text(content, at + 30, nameBytes);
        packed = packed == WIDE ? wide(at + 30 + nameBytes, extra) : packed;
        boolean behind = (flags & 8) != 0 && packed == 0;
        boolean open = (flags & 1) == 0;
        long end;
        if (open && method == 8) {
            Deflated deflated = new Deflated(content, contents.sink(name));
            end = deflated.read(data);
            failedAt = deflated.failedAt();
            if (end < 0 || !behind && end - data != packed || !behind && (flags & 8) == 0 && deflated.crc() != crc) {
                return broken("the file " + name + " does not unpack, or its CRC is wrong");
            }
            crc = deflated.crc();
        } else {
            end = behind ? descriptor(data) : data + packed;
            if (end < data || end > content.length()) {
                return broken("the file " + name + " leaves the content");
            }
            if (open && method == 0) {
                long real = Bytes.crc32(content, data, end - data);
                if (!behind && real != crc && (flags & 8) == 0) {
                    return broken("the CRC of the file " + name + " is wrong");
                }
                contents.stored(name, content, data, end - data);
                crc = real;
            }
        }
        long next = (flags & 8) == 0
                ? end
                : afterDescriptor(end, crc, end - data, open && (method == 0 || method == 8), name);
        failedAt = next < 0 ? end : failedAt;
        // What only pads is not in the directory.
        count += next < 0 || nameBytes == 0 ? 0 : 1;
        return next;
    }

    private long broken(String why) {
        fault = why.replaceAll("\\p{Cntrl}", " ");
        return -1;
    }

    private long wide(long extraAt, int extra) throws IOException {
        for (long at = extraAt; at + 4 <= extraAt + extra; at += 4 + content.u16le(at + 2)) {
            if (content.u16le(at) == 1 && content.u16le(at + 2) >= 16) {
                return content.i64le(at + 12);
            }
        }
        return -1;
    }

    /** Where data of unknown length end: before the descriptor that states just that length. */
    private long descriptor(long data) throws IOException {
        byte[] mark = Bytes.latin("PK\7\10");
        for (long at = content.find(mark, data, content.length());
                at >= 0;
                at = content.find(mark, at + 1, content.length())) {
            if (at + 16 <= content.length() && content.u32le(at + 8) == at - data) {
                return at;
            }
        }
        return -1;
    }

    private long afterDescriptor(long from, long crc, long packed, boolean known, String name) throws IOException {
        long at = content.u32le(from) == DESCRIPTOR ? from + 4 : from;
        boolean narrow =
                content.u32le(at + 4) == packed && (Zip.isHead(content, at + 12) || content.i64le(at + 4) != packed);
        if (known && content.u32le(at) != crc || !narrow && content.i64le(at + 4) != packed) {
            return broken("what stands behind the file " + name + " is not its CRC and size");
        }
        return at + (narrow ? 12 : 20);
    }
}
