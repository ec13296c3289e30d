package org.brantel.core.kind.archive;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * 7z (public format description 7zFormat), little-endian; what both headers lead to is unpacked for its members' CRCs:
 *
 * <pre>
 * offset size field
 *      0    6  37 7A BC AF 27 1C; 6 2 version
 *      8    4  CRC-32 of the next 20 bytes
 *     12    8  where the last header begins, from byte 32; 20 8 its length; 28 4 its CRC-32
 * </pre>
 */
final class SevenZip implements ContentKind {

    /** What an unpacker may take of memory, KiB: the dictionary of the highest usual level. */
    private static final int MOST_KIB = 80 << 10;

    @Override
    public String code() {
        return "7z";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("7z\u00bc\u00af'\u001c"));
    }

    @Override
    public long longest() {
        return 64L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        if (Bytes.crc32(content, 12, 20) != content.u32le(8)) {
            return Walk.broken(8, "the first header's CRC is wrong");
        }
        long offset = content.i64le(12);
        long length = content.i64le(20);
        if (offset < 0 || length <= 0 || offset > content.length() - 32 || length > content.length() - 32 - offset) {
            return Walk.broken(12, "the last header lies beyond what there is");
        }
        long at = 32 + offset;
        return Bytes.crc32(content, at, length) == content.u32le(28)
                ? unpacked(content, at + length, 32 + length)
                : Walk.broken(at, "the last header's CRC is wrong");
    }

    /** @param headers how many bytes their CRCs cover */
    private static Walk unpacked(ByteView content, long end, long headers) throws IOException {
        SevenZipMembers members = new SevenZipMembers(content.joined(List.of(new Range(0, end))), MOST_KIB);
        Unpacking unpacking = Unpacking.of(() -> members);
        if (unpacking == Unpacking.FAILS) {
            return Walk.damaged(end, "The CRCs of its headers are right, but its members do not unpack.");
        }
        if (unpacking == Unpacking.HOLDS && members.isChecked()) {
            return Walk.whole(end, "All of its members unpack, and the CRC of each is right.");
        }
        return Walk.fitting(
                        end,
                        unpacking == Unpacking.HOLDS
                                ? "The CRCs of its headers are right, and all of its members unpack."
                                : "The CRCs of its first and last header are right.")
                .proving(headers)
                .closing();
    }
}
