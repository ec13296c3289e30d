package org.brantel.core.kind.data;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;
import org.jspecify.annotations.Nullable;

/**
 * OpenType (ISO/IEC 14496-22), big-endian: 00010000, "true" or "OTTO", 2 bytes number of tables, 6 bytes, then for
 * each: +0 4 name, +4 4 sum, +8 4 offset, +12 4 length. The sum of a table is that of its words; the one of "head"
 * leaves out the word at its byte 8.
 */
final class OpenType implements ContentKind {

    private static final int MOST_TABLES = 128;

    @Override
    public String code() {
        return "ttf";
    }

    @Override
    public Set<String> codes() {
        return Set.of("ttf", "otf");
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("\0\1\0\0\0"), Start.of("OTTO\0"), Start.of("true\0"));
    }

    @Override
    public boolean couldStart(byte[] b, int at) {
        int tables = b[at + 5];
        return tables >= 4 && tables <= MOST_TABLES && b[at + 12] >= 'A' && b[at + 13] >= '0' && b[at + 12] <= 'z';
    }

    @Override
    public long longest() {
        return 128L << 20;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        int tables = content.u16be(4);
        long end = 12 + tables * 16L;
        boolean head = false;
        @Nullable String wrong = null;
        long bytes = 12 + tables * 16L;
        for (int i = 0; i < tables; i++) {
            long entry = 12 + i * 16L;
            String name = Bytes.text(content, entry, 4);
            long at = content.u32be(entry + 8);
            long length = content.u32be(entry + 12);
            if (!Bytes.isFourCharacters(content, entry) || at < 12 + tables * 16L || length > content.length() - at) {
                return Walk.broken(entry, "a table lies outside what there is");
            }
            if (sum(content, at, length, name.equals("head")) != content.u32be(entry + 4)) {
                wrong = name;
            }
            bytes += (length + 3) / 4 * 4;
            head |= name.equals("head");
            end = Math.max(end, at + (length + 3) / 4 * 4);
        }
        String code = content.u8(0) == 'O' ? "otf" : "ttf";
        if (head && wrong != null && bytes == end) {
            return Walk.likely(
                            Math.min(end, content.length()),
                            "Its tables fill it exactly, but the sum of the table " + wrong.strip() + " is wrong.")
                    .as(code);
        }
        return wrong != null
                ? Walk.broken(0, "a table's sum is wrong")
                : head
                        ? Walk.whole(
                                        Math.min(end, content.length()),
                                        "The sum of each of its " + tables + " tables is right.")
                                .as(code)
                        : Walk.broken(0, "it has no head table");
    }

    private static long sum(ByteView content, long at, long length, boolean head) throws IOException {
        long sum = 0;
        for (long i = 0; i < length; i += 4) {
            long word = 0;
            for (int b = 0; b < 4; b++) {
                word = word << 8 | (i + b < length ? content.u8(at + i + b) : 0);
            }
            sum += head && i == 8 ? 0 : word;
        }
        return sum & 0xffffffffL;
    }
}
