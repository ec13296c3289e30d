package org.brantel.core.kind.archive;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.LittleEndian;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Resumable;
import org.brantel.core.kind.Start;
import org.jspecify.annotations.Nullable;

/**
 * ZIP (APPNOTE 6.3), little-endian: files, each behind its own head (4.3.7), the central directory (4.3.12), its end
 * record (4.3.16). Every file is unpacked or summed and its CRC checked; the directory must name as many, at the place
 * that the end record states. What the container is, its names tell.
 */
final class Zip implements ContentKind {

    private static final long FILE = 0x04034b50;
    private static final long DIRECTORY = 0x02014b50;
    private static final long END = 0x06054b50;
    private static final long END_64 = 0x06064b50;
    private static final long LOCATOR_64 = 0x07064b50;
    private static final long MOST_BETWEEN = 4 << 20;

    @Override
    public String code() {
        return "zip";
    }

    @Override
    public Set<String> codes() {
        return Set.of("zip", "docx", "xlsx", "pptx", "odt", "ods", "odp", "odg", "epub", "jar", "kmz");
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("PK\u0003\u0004"));
    }

    @Override
    public boolean couldStart(byte[] b, int at) {
        int name = LittleEndian.u16(b, at + 26);
        // Some writers begin with an empty file that only pads what follows to a page.
        boolean padding = name == 0 && LittleEndian.u32(b, at + 18) == 0 && LittleEndian.u16(b, at + 28) > 0;
        return b[at + 4] >= 0
                && b[at + 4] <= 100
                && LittleEndian.u16(b, at + 8) <= 99
                && (name > 0 && name < 1024 || padding);
    }

    @Override
    public long longest() {
        return 32L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        return content.u32le(0) != FILE
                ? Walk.broken(0, "does not begin as a ZIP")
                : walk(content, new ZipFiles(content), 0);
    }

    @Override
    public @Nullable Resumable resumable(ByteView content) throws IOException {
        ZipFiles files = new ZipFiles(content);
        Walk broken = walk(content, files, 0);
        return broken.whole() || content.u32le(broken.length()) != FILE
                ? null
                : new ZipAgain(this, content, files, broken);
    }

    /** @param from the first file that {@code files} does not know */
    Walk walk(ByteView content, ZipFiles files, long from) throws IOException {
        long at = from;
        while (content.u32le(at) == FILE) {
            long next = files.file(at);
            if (next < 0) {
                return Walk.broken(at, files.fault()).as(files.contents().code());
            }
            at = next;
        }
        at = directory(content, at);
        long directory = at;
        long named = 0;
        while (content.u32le(at) == DIRECTORY) {
            at += 46 + content.u16le(at + 28) + content.u16le(at + 30) + content.u16le(at + 32);
            named++;
        }
        long afterDirectory = at;
        if (content.u32le(at) == END_64) {
            at += 12 + content.i64le(at + 4);
            if (at < afterDirectory || content.u32le(at) != LOCATOR_64) {
                return Walk.broken(afterDirectory, "the end record is malformed")
                        .as(files.contents().code());
            }
            at += 20;
        }
        if (content.u32le(at) != END) {
            return Walk.broken(at, "the end record is missing")
                    .as(files.contents().code());
        }
        long stated = content.u32le(at + 16);
        long size = content.u32le(at + 12);
        if (content.u16le(at + 10) != 0xffff && content.u16le(at + 10) != named
                || size != 0xffffffffL && size != afterDirectory - directory
                || stated != 0xffffffffL && stated != directory
                || named != files.count()) {
            return Walk.broken(at, "the end record states another directory")
                    .as(files.contents().code());
        }
        long end = at + 22 + content.u16le(at + 20);
        if (end > content.length()) {
            return Walk.broken(at, "its comment leaves the content")
                    .as(files.contents().code());
        }
        return Walk.whole(end, "The CRC of each of its " + named + " files is right, and its directory names them all.")
                .as(files.contents().code())
                .about(files.contents().about());
    }

    /**
     * Where the directory begins: at the end of the files, or behind what stands between the two, as in signed
     * packages; its end record must state that place.
     */
    private static long directory(ByteView content, long from) throws IOException {
        long last = Math.min(content.length(), from + MOST_BETWEEN);
        byte[] mark = Bytes.latin("PK\5\6");
        for (long at = content.u32le(from) == DIRECTORY || content.u32le(from) == END
                        ? -1
                        : content.find(mark, from, last);
                at >= 0 && at + 22 <= content.length();
                at = content.find(mark, at + 1, last)) {
            long stated = content.u32le(at + 16);
            if (stated >= from && stated + content.u32le(at + 12) == at && content.u32le(stated) == DIRECTORY) {
                return stated;
            }
        }
        return from;
    }

    static boolean isHead(ByteView content, long at) throws IOException {
        return at + 4 <= content.length()
                && (content.u32le(at) == FILE
                        || content.u32le(at) == DIRECTORY
                        || Bytes.text(content, at, 4).equals("PK\6\10"));
    }
}
