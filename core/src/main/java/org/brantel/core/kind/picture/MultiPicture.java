package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;

/**
 * The index of a file with several pictures (CIPA DC-007, section 5): an APP2 segment "MPF\0", then a TIFF header whose
 * first directory has tag B002: 16 bytes for each picture, +4 4 its length, +8 4 its offset from that header, 0 for the
 * first.
 */
final class MultiPicture {

    /** Fill bytes that writers leave between two pictures. */
    static final long MOST_BETWEEN = 64 << 10;

    private static final int ENTRIES = 0xb002;
    private static final int MOST = 64;

    private MultiPicture() {}

    /** Where the pictures after the first begin; none when there is no index or it cannot be read. */
    static List<Long> others(ByteView content) throws IOException {
        List<Long> places = new ArrayList<>();
        long at = 2;
        while (content.u8(at) == 0xff && content.u8(at + 1) >= 0xe0 && content.u8(at + 1) <= 0xef) {
            int length = content.u16be(at + 2);
            long header = at + 8;
            if (content.u8(at + 1) == 0xe2
                    && length > 24
                    && Bytes.text(content, at + 4, 4).equals("MPF\0")
                    && TiffTags.isHeader(content, header)) {
                TiffTags tags = new TiffTags(content, header);
                TiffTags.Directory d = tags.directory(tags.u32(4));
                TiffTags.Entry entries = d == null ? null : d.get(ENTRIES);
                for (int i = 1; entries != null && i < Math.min(MOST, entries.count() / 16); i++) {
                    places.add(header + tags.u32(entries.valueAt() + i * 16L + 8));
                }
                return places;
            }
            at += 2 + length;
        }
        return places;
    }
}
