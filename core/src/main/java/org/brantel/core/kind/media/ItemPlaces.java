package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.HashSet;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.jspecify.annotations.Nullable;

/**
 * Items of a picture file (box "meta", ISO/IEC 14496-12 section 8.11): "iloc" says where each lies.
 *
 * <pre>
 * offset size field, after version and flags (4 bytes)
 *      0    2  four sizes of 4 bits: of offsets, lengths, base offsets, and indexes (versions 1 and 2)
 *      2    2  number of items (4 in version 2), then for each: number (2, or 4), construction (2, versions 1 and 2),
 *              data reference (2), base offset, number of extents (2), then for each extent: index, offset, length
 * </pre>
 */
final class ItemPlaces {

    private static final int MOST_ITEMS = 65_536;

    private final ByteView content;
    private final Set<Long> starts = new HashSet<>();
    private long at;

    ItemPlaces(ByteView content) {
        this.content = content;
    }

    /** Where items begin; after {@link #lieIn}. */
    Set<Long> starts() {
        return starts;
    }

    /** Whether all items that stand in the file lie before {@code end}. */
    boolean lieIn(IsoMedia.Box meta, long end) throws IOException {
        IsoMedia.Box places = child(content, meta, 4, "iloc");
        if (places == null) {
            return true;
        }
        int version = content.u8(places.body());
        at = places.body() + 4;
        int sizes = (int) number(2);
        long items = number(version == 2 ? 4 : 2);
        for (long i = 0; i < Math.min(items, MOST_ITEMS) && at < places.end(); i++) {
            at += version == 2 ? 4 : 2;
            int construction = version == 0 ? 0 : (int) number(2) & 15;
            at += 2;
            long base = number(sizes >> 4 & 15);
            long extents = number(2);
            for (long e = 0; e < extents && at < places.end(); e++) {
                at += version == 0 ? 0 : sizes & 15;
                long offset = number(sizes >> 12 & 15);
                long length = number(sizes >> 8 & 15);
                starts.add(construction == 0 ? base + offset : -1);
                if (construction == 0 && (base < 0 || offset < 0 || length < 0 || base + offset > end - length)) {
                    return false;
                }
            }
        }
        return true;
    }

    private long number(int bytes) throws IOException {
        long value = 0;
        for (int i = 0; i < bytes; i++) {
            value = value << 8 | content.u8(at++);
        }
        return value;
    }

    private static IsoMedia.@Nullable Box child(ByteView content, IsoMedia.Box of, int skip, String type)
            throws IOException {
        for (long at = of.body() + skip; at + 8 <= of.end(); ) {
            IsoMedia.Box box = IsoMedia.box(content, at, of.end());
            if (box == null) {
                return null;
            }
            if (box.type().equals(type)) {
                return box;
            }
            at = box.end();
        }
        return null;
    }

    /** The largest size that a property ("ispe") names. */
    static About size(ByteView content, IsoMedia.Box meta) throws IOException {
        IsoMedia.Box properties = child(content, meta, 4, "iprp");
        IsoMedia.Box all = properties == null ? null : child(content, properties, 0, "ipco");
        long width = 0;
        long height = 0;
        for (long at = all == null ? 0 : all.body(); all != null && at + 8 <= all.end(); ) {
            IsoMedia.Box box = IsoMedia.box(content, at, all.end());
            if (box == null) {
                break;
            }
            if (box.type().equals("ispe") && box.end() - box.body() >= 12 && content.u32be(box.body() + 4) > width) {
                width = content.u32be(box.body() + 4);
                height = content.u32be(box.body() + 8);
            }
            at = box.end();
        }
        return width == 0 ? About.NONE : About.NONE.with(About.WIDTH, width).with(About.HEIGHT, height);
    }
}
