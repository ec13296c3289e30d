package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * TIFF (TIFF 6.0) and the camera files that are built on it, told by their public tags. The header is two letters of
 * byte order, 42, and the offset of the first directory. The end is where the last of what the directories point to
 * ends; that a picture which is stored plainly has as many bytes as its size asks for is checked.
 */
final class Tiff implements ContentKind {

    private static final int COMPRESSION = 0x103;
    private static final int BITS = 0x102;
    private static final int SAMPLES = 0x115;
    private static final int STRIPS = 0x111;
    private static final int STRIP_BYTES = 0x117;
    private static final int TILES = 0x144;
    private static final int TILE_BYTES = 0x145;
    private static final int PLANES = 0x11c;
    private static final int SUB = 0x14a;
    private static final int GPS = 0x8825;
    private static final int INTEROPERABILITY = 0xa005;
    private static final int DNG = 0xc612;
    private static final int MOST_DIRECTORIES = 256;
    private static final int MOST_PIECES = 1 << 20;

    @Override
    public String code() {
        return "tiff";
    }

    @Override
    public Set<String> codes() {
        return Set.of("tiff", "dng", "nef", "cr2", "arw", "pef", "orf", "rw2");
    }

    @Override
    public List<Start> starts() {
        return List.of(
                Start.of("II*\0"),
                Start.of("MM\0*"),
                Start.of("IIU\0"),
                Start.of("IIRO"),
                Start.of("IIRS"),
                Start.of("MMOR"));
    }

    @Override
    public long longest() {
        return 4L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        if (!TiffTags.isHeader(content, 0)) {
            return Walk.broken(0, "does not begin as a TIFF");
        }
        TiffTags tags = new TiffTags(content, 0);
        Deque<Long> waiting = new ArrayDeque<>(List.of(tags.u32(4)));
        Set<Long> seen = new HashSet<>();
        long end = 8;
        boolean picture = false;
        boolean tooFew = false;
        TiffPieces checked = new TiffPieces(content, tags);
        TiffTags.Directory first = null;
        while (!waiting.isEmpty()) {
            long at = waiting.poll();
            if (at == 0 || !seen.add(at)) {
                continue;
            }
            TiffTags.Directory d = at < 8 || seen.size() > MOST_DIRECTORIES ? null : tags.directory(at);
            if (d == null) {
                return Walk.broken(at, "a directory is malformed");
            }
            first = first == null ? d : first;
            end = Math.max(end, d.end());
            for (TiffTags.Entry e : d.entries()) {
                long valueEnd = e.valueAt() + e.bytes();
                if (valueEnd > content.length()) {
                    return Walk.broken(at, "a value leaves the content");
                }
                end = Math.max(end, valueEnd);
            }
            long pieces = Math.max(pieces(tags, d, STRIPS, STRIP_BYTES), pieces(tags, d, TILES, TILE_BYTES));
            if (pieces < 0 || pieces > content.length()) {
                return Walk.broken(at, "a piece of the picture leaves the content");
            }
            if (pieces > 0) {
                long packing = tags.number(d.get(COMPRESSION), 1);
                checked.check(
                        d,
                        packing,
                        tags.numbers(d.get(STRIPS), MOST_PIECES),
                        tags.numbers(d.get(STRIP_BYTES), MOST_PIECES),
                        lineBytes(tags, d));
                checked.check(
                        d,
                        packing,
                        tags.numbers(d.get(TILES), MOST_PIECES),
                        tags.numbers(d.get(TILE_BYTES), MOST_PIECES),
                        0);
            }
            tooFew |= pieces > 0 && !isPlainRight(tags, d);
            picture |= pieces > 0;
            end = Math.max(Math.max(end, pieces), thumbnailEnd(tags, d));
            waiting.add(d.next());
            for (int more : new int[] {TiffTags.EXIF, GPS, INTEROPERABILITY, SUB}) {
                for (long where : tags.numbers(d.get(more), 16)) {
                    waiting.add(where);
                }
            }
        }
        if (first == null || !picture || end > content.length()) {
            return Walk.broken(Math.min(end, content.length()), "it ends without a picture");
        }
        About about = tags.about()
                .with(About.WIDTH, tags.number(first.get(TiffTags.WIDTH), 0))
                .with(About.HEIGHT, tags.number(first.get(TiffTags.HEIGHT), 0));
        if (checked.firstWrong() >= 0) {
            return Walk.damaged(
                            end,
                            "Its directories lead to all its pieces, but the one at byte " + checked.firstWrong()
                                    + " does not unpack.")
                    .as(code(content, tags, first))
                    .about(about);
        }
        return (tooFew
                        ? Walk.likely(
                                end,
                                "Its directories lead to all its pieces, but these are not as many bytes as its size"
                                        + " asks for.")
                        : Walk.fitting(end, seen.size() + " directories lead to all its pieces.")
                                .proving(checked.checkedBytes()))
                .as(code(content, tags, first))
                .about(about);
    }

    private static long thumbnailEnd(TiffTags tags, TiffTags.Directory d) throws IOException {
        return tags.number(d.get(TiffTags.THUMBNAIL), 0) + tags.number(d.get(TiffTags.THUMBNAIL_BYTES), 0);
    }

    /** @return where the last piece ends; 0 when there are none, -1 when offsets and lengths do not go together */
    private static long pieces(TiffTags tags, TiffTags.Directory d, int offsets, int lengths) throws IOException {
        long[] at = tags.numbers(d.get(offsets), MOST_PIECES);
        long[] bytes = tags.numbers(d.get(lengths), MOST_PIECES);
        if (at.length == 0) {
            return 0;
        }
        if (at.length != bytes.length) {
            return -1;
        }
        long end = 0;
        for (int i = 0; i < at.length; i++) {
            end = Math.max(end, at[i] + bytes[i]);
        }
        return end;
    }

    private static long lineBytes(TiffTags tags, TiffTags.Directory d) throws IOException {
        long bits = 0;
        for (long b : tags.numbers(d.get(BITS), 16)) {
            bits += b;
        }
        bits = bits == 0 ? tags.number(d.get(SAMPLES), 1) : bits;
        long samples = tags.number(d.get(PLANES), 1) == 1 ? 1 : Math.max(1, tags.number(d.get(SAMPLES), 1));
        return (tags.number(d.get(TiffTags.WIDTH), 0) * (bits / samples) + 7) / 8;
    }

    private static boolean isPlainRight(TiffTags tags, TiffTags.Directory d) throws IOException {
        if (tags.number(d.get(COMPRESSION), 1) != 1 || d.get(STRIPS) == null || tags.number(d.get(PLANES), 1) != 1) {
            return true;
        }
        long stored = 0;
        for (long b : tags.numbers(d.get(STRIP_BYTES), MOST_PIECES)) {
            stored += b;
        }
        long asked = lineBytes(tags, d) * tags.number(d.get(TiffTags.HEIGHT), 0);
        return asked > 0 && stored >= asked && stored - asked <= Math.max(4096, asked / 16);
    }

    private static String code(ByteView content, TiffTags tags, TiffTags.Directory first) throws IOException {
        int third = content.u8(2);
        if (third == 'U') {
            return "rw2";
        }
        if (third == 'R' || content.u8(3) == 'R') {
            return "orf";
        }
        if (first.get(DNG) != null) {
            return "dng";
        }
        if (content.length() > 10 && content.u16be(8) == 0x4352) {
            return "cr2";
        }
        String make = tags.text(first.get(TiffTags.MAKE)).toLowerCase(Locale.ROOT);
        // Cameras keep their raw picture beside the directory's own; plain scans and exports have no such part.
        if (first.get(SUB) != null
                || first.get(COMPRESSION) != null && tags.number(first.get(COMPRESSION), 1) > 32_000) {
            return make.startsWith("nikon")
                    ? "nef"
                    : make.startsWith("sony")
                            ? "arw"
                            : make.startsWith("pentax") || make.startsWith("ricoh") ? "pef" : "tiff";
        }
        return "tiff";
    }
}
