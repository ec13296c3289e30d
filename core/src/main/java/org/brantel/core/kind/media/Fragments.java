package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.Map;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.jspecify.annotations.Nullable;

/**
 * The samples of a film in fragments (ISO/IEC 14496-12, section 8.8): a box "moof" has for each track a "traf", in it
 * "tfhd" with the track's number and defaults, and runs ("trun") of samples that follow each other in a data box.
 */
final class Fragments {

    private static final int BASE = 0x1;
    private static final int DESCRIPTION = 0x2;
    private static final int DURATION = 0x8;
    private static final int SIZE = 0x10;
    private static final int DATA_OFFSET = 0x1;
    private static final int FIRST_FLAGS = 0x4;
    private static final int EACH_DURATION = 0x100;
    private static final int EACH_SIZE = 0x200;
    private static final int EACH_FLAGS = 0x400;
    private static final int EACH_TIME = 0x800;
    private static final long MOST_SAMPLES = 1 << 20;

    private final ByteView content;
    private final SampleTables tables;
    private final RangeSet samples = new RangeSet();
    private boolean malformed;

    Fragments(ByteView content, SampleTables tables) {
        this.content = content;
        this.tables = tables;
    }

    /** Whether all samples lie in data boxes, and no box of the fragments is malformed. */
    boolean lieIn(RangeSet data) {
        return !malformed && samples.ranges().stream().allMatch(data::contains);
    }

    void read(IsoMedia.Box fragment) throws IOException {
        for (long at = fragment.body(); at + 8 <= fragment.end(); ) {
            IsoMedia.Box box = IsoMedia.box(content, at, fragment.end());
            if (box == null) {
                malformed = true;
                return;
            }
            if (box.type().equals("traf")) {
                track(box, fragment.at());
            }
            at = box.end();
        }
    }

    private void track(IsoMedia.Box of, long fragmentAt) throws IOException {
        long base = fragmentAt;
        long size = 0;
        int number = -1;
        long next = -1;
        for (long at = of.body(); at + 8 <= of.end(); ) {
            IsoMedia.Box box = IsoMedia.box(content, at, of.end());
            if (box == null) {
                malformed = true;
                return;
            }
            if (box.type().equals("tfhd") && box.end() - box.body() >= 8) {
                int flags = (int) content.u32be(box.body()) & 0xffffff;
                long track = content.u32be(box.body() + 4);
                long field = box.body() + 8;
                base = (flags & BASE) != 0 ? content.i64be(field) : base;
                field += ((flags & BASE) != 0 ? 8 : 0)
                        + ((flags & DESCRIPTION) != 0 ? 4 : 0)
                        + ((flags & DURATION) != 0 ? 4 : 0);
                Map<Long, SampleTables.Defaults> defaults = tables.defaults();
                SampleTables.@Nullable Defaults own = defaults.get(track);
                size = (flags & SIZE) != 0 ? content.u32be(field) : own == null ? 0 : own.size();
                number = own == null ? -1 : own.laid();
            } else if (box.type().equals("trun")) {
                next = run(box, base, next, size, number);
            }
            at = box.end();
        }
    }

    /** @return where its last sample ends */
    private long run(IsoMedia.Box box, long base, long before, long size, int track) throws IOException {
        int flags = (int) content.u32be(box.body()) & 0xffffff;
        long count = content.u32be(box.body() + 4);
        long field = box.body() + 8;
        int each = Integer.bitCount(flags & (EACH_DURATION | EACH_SIZE | EACH_FLAGS | EACH_TIME)) * 4;
        int sizeAt = (flags & EACH_DURATION) != 0 ? 4 : 0;
        long at = before < 0 ? base : before;
        if ((flags & DATA_OFFSET) != 0) {
            at = base + (int) content.u32be(field);
            field += 4;
        }
        field += (flags & FIRST_FLAGS) != 0 ? 4 : 0;
        if (count > MOST_SAMPLES || count * each > box.end() - field || at < 0) {
            malformed = true;
            return at;
        }
        long begin = at;
        for (long i = 0; i < count; i++) {
            long bytes = (flags & EACH_SIZE) != 0 ? content.u32be(field + i * each + sizeAt) : size;
            if (track >= 0) {
                tables.laid().add(track, at, bytes);
            }
            at += bytes;
        }
        if (at > begin) {
            samples.add(new Range(begin, at - begin));
        }
        return at;
    }
}
