package org.brantel.core.kind.archive;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * gzip (RFC 1952), little-endian: 1F 8B 08, flags (4 extra, 8 name, 16 comment, 2 CRC of the head), 4 bytes time, 2
 * bytes, then these parts, the deflated data, their CRC-32 and size. Members may follow each other.
 */
final class Gzip implements ContentKind {

    @Override
    public String code() {
        return "gz";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("\u001f\u008b\b"));
    }

    @Override
    public boolean couldStart(byte[] b, int at) {
        return (b[at + 3] & 0xe0) == 0
                && (b[at + 8] == 0 || b[at + 8] == 2 || b[at + 8] == 4)
                && (b[at + 9] >= 0 && b[at + 9] <= 13 || b[at + 9] == -1);
    }

    @Override
    public long longest() {
        return 16L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        About about = About.NONE;
        long at = 0;
        int members = 0;
        while (members == 0 || at + 18 < content.length() && content.u16be(at) == 0x1f8b && content.u8(at + 2) == 8) {
            int flags = content.u8(at + 3);
            long data = at + 10;
            data += (flags & 4) != 0 ? 2 + content.u16le(data) : 0;
            if ((flags & 8) != 0) {
                String name = Bytes.upToZero(content, data, 300);
                about = members == 0 ? about.with(About.TITLE, name) : about;
                data += name.length() + 1;
            }
            data += (flags & 16) != 0 ? Bytes.upToZero(content, data, 4096).length() + 1 : 0;
            data += (flags & 2) != 0 ? 2 : 0;
            Deflated deflated = new Deflated(content, Deflated.Sink.NONE);
            long end = content.u16be(at) != 0x1f8b ? -1 : deflated.read(data);
            if (end < 0
                    || content.u32le(end) != deflated.crc()
                    || content.u32le(end + 4) != (deflated.size() & 0xffffffffL)) {
                return Walk.broken(at, "it does not unpack, or its CRC is wrong");
            }
            at = end + 8;
            members++;
        }
        return Walk.whole(at, "It unpacks to what its CRC and size state.").about(about);
    }
}
