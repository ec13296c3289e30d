package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.jspecify.annotations.Nullable;

/**
 * Directories of tags (TIFF 6.0, section 2), in TIFF files and in the Exif part of others (CIPA DC-008). Offsets count
 * from the header.
 *
 * <pre>
 * offset size field
 *      0    2  number of entries, then for each: +0 2 tag, +2 2 type, +4 4 count, +8 4 value, or its offset
 *      n    4  offset of the next directory, or 0
 * </pre>
 */
final class TiffTags {

    private static final Pattern TIME = Pattern.compile("\\d{4}:\\d\\d:\\d\\d \\d\\d:\\d\\d:\\d\\d.*");
    static final int WIDTH = 0x100;
    static final int HEIGHT = 0x101;
    static final int MAKE = 0x10f;
    private static final int MODEL = 0x110;
    static final int ORIENTATION = 0x112;
    private static final int CHANGED = 0x132;
    private static final int ARTIST = 0x13b;
    static final int EXIF = 0x8769;
    private static final int TAKEN = 0x9003;
    static final int THUMBNAIL = 0x201;
    static final int THUMBNAIL_BYTES = 0x202;
    private static final int MOST_ENTRIES = 2000;
    private static final int[] SIZES = {0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8, 4};

    /** @param valueAt where its value stands, from the header */
    record Entry(int tag, int type, long count, long valueAt) {
        long bytes() {
            return count * SIZES[type];
        }
    }

    /** @param next offset of the next directory, or 0 */
    record Directory(List<Entry> entries, long next, long end) {
        @Nullable
        Entry get(int tag) {
            return entries.stream().filter(e -> e.tag() == tag).findFirst().orElse(null);
        }
    }

    private final ByteView content;
    private final long base;
    private final boolean little;

    /** @param base where the header stands */
    TiffTags(ByteView content, long base) throws IOException {
        this.content = content;
        this.base = base;
        little = content.u8(base) == 'I';
    }

    /** Whether a header stands there, of TIFF or of a camera's variant of it. */
    static boolean isHeader(ByteView content, long at) throws IOException {
        String head = Bytes.text(content, at, 4);
        return head.equals("II*\0")
                || head.equals("MM\0*")
                || head.equals("IIU\0")
                || head.equals("IIRO")
                || head.equals("IIRS")
                || head.equals("MMOR");
    }

    int u16(long at) throws IOException {
        return little ? content.u16le(base + at) : content.u16be(base + at);
    }

    long u32(long at) throws IOException {
        return little ? content.u32le(base + at) : content.u32be(base + at);
    }

    /** @return null when there is none */
    @Nullable
    Directory directory(long at) throws IOException {
        int count = u16(at);
        if (count == 0 || count > MOST_ENTRIES) {
            return null;
        }
        List<Entry> entries = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            long e = at + 2 + i * 12L;
            int type = u16(e + 2);
            long values = u32(e + 4);
            if (type < 1 || type >= SIZES.length) {
                continue;
            }
            long bytes = values * SIZES[type];
            entries.add(new Entry(u16(e), type, values, bytes <= 4 ? e + 8 : u32(e + 8)));
        }
        return new Directory(entries, u32(at + 2 + count * 12L), at + 6 + count * 12L);
    }

    /** Whole numbers; as many as there are, up to {@code most}. */
    long[] numbers(@Nullable Entry e, int most) throws IOException {
        if (e == null || e.type() != 3 && e.type() != 4 && e.type() != 1 && e.type() != 13) {
            return new long[0];
        }
        long[] values = new long[(int) Math.min(e.count(), most)];
        for (int i = 0; i < values.length; i++) {
            values[i] = e.type() == 1
                    ? content.u8(base + e.valueAt() + i)
                    : e.type() == 3 ? u16(e.valueAt() + i * 2L) : u32(e.valueAt() + i * 4L);
        }
        return values;
    }

    long number(@Nullable Entry e, long otherwise) throws IOException {
        long[] all = numbers(e, 1);
        return all.length == 0 ? otherwise : all[0];
    }

    String text(@Nullable Entry e) throws IOException {
        return e == null || e.type() != 2
                ? ""
                : Bytes.upToZero(content, base + e.valueAt(), (int) Math.min(200, e.count()));
    }

    /** What the first directory and its Exif part say of the picture; whatever cannot be read is left out. */
    About about() {
        About about = About.NONE;
        try {
            Directory first = directory(u32(4));
            if (first == null) {
                return about;
            }
            String make = text(first.get(MAKE)).strip();
            String model = text(first.get(MODEL)).strip();
            about = about.with(About.DEVICE, model.startsWith(make) ? model : (make + " " + model).strip())
                    .with(About.AUTHOR, text(first.get(ARTIST)));
            long turned = number(first.get(ORIENTATION), 1);
            about = turned > 1 && turned <= 8 ? about.with(About.ORIENTATION, turned) : about;
            Entry exif = first.get(EXIF);
            Directory more = exif == null ? null : directory(number(exif, 0));
            String taken = more == null ? "" : text(more.get(TAKEN));
            about = about.with(About.TAKEN, isoTime(taken.isBlank() ? text(first.get(CHANGED)) : taken));
        } catch (IOException | IndexOutOfBoundsException damaged) {
            return about;
        }
        return about;
    }

    /** {@code 2026:05:04 09:12:30} as ISO 8601; null when it is none. */
    static @Nullable String isoTime(String text) {
        return TIME.matcher(text).matches() && !text.startsWith("0000")
                ? text.substring(0, 4) + "-" + text.substring(5, 7) + "-" + text.substring(8, 10) + "T"
                        + text.substring(11, 19)
                : null;
    }
}
