package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.jspecify.annotations.Nullable;

/**
 * The index of a film (box "moov", ISO/IEC 14496-12 section 8): for each track where its chunks stand ("stco", "co64"),
 * how many samples each holds ("stsc") and how long these are ("stsz").
 */
final class SampleTables {

    private static final Set<String> HOLDERS = Set.of("trak", "mdia", "minf", "stbl", "mvex");
    private static final int DEEPEST = 8;
    private static final int MOST_CHUNKS = 4 << 20;

    private final ByteView content;
    private final RangeSet chunks = new RangeSet();
    private int tracks;
    private int films;
    private About about = About.NONE;
    private IsoMedia.@Nullable Box places;
    private IsoMedia.@Nullable Box perChunk;
    private IsoMedia.@Nullable Box sizes;
    private IsoMedia.@Nullable Box entries;
    private final Laid laid = new Laid();
    private boolean malformed;
    private long trackId;
    /** What fragments take where they say nothing themselves, by the track's number. */
    private final Map<Long, Defaults> defaults = new HashMap<>();

    /**
     * @param laid the track's number in {@link #laid}; -1 when its coding is not known
     * @param size bytes of a sample
     */
    record Defaults(int laid, long size) {}

    SampleTables(ByteView content) {
        this.content = content;
    }

    ByteView content() {
        return content;
    }

    /** The samples that can be checked. */
    Laid laid() {
        return laid;
    }

    /** Whether a box of it, or a table, is not what it says. */
    boolean isMalformed() {
        return malformed;
    }

    About read(IsoMedia.Box index) throws IOException {
        holder(index, 0);
        return about.with(About.TRACKS, tracks);
    }

    boolean soundAlone() {
        return films == 0 && tracks > 0;
    }

    Map<Long, Defaults> defaults() {
        return defaults;
    }

    /** Where the last chunk ends; 0 without one. */
    long end() {
        return chunks.ranges().stream().mapToLong(Range::end).max().orElse(0);
    }

    /** Whether everything that the tables point to lies there. */
    boolean lieIn(RangeSet data) {
        return !malformed && chunks.ranges().stream().allMatch(data::contains);
    }

    private void holder(IsoMedia.Box of, int depth) throws IOException {
        for (long at = of.body(); at + 8 <= of.end(); ) {
            IsoMedia.Box box = IsoMedia.box(content, at, of.end());
            if (box == null) {
                // Some writers close a list of boxes by a length of zero.
                malformed |= content.u32be(at) != 0;
                return;
            }
            take(box, depth);
            at = box.end();
        }
    }

    private void take(IsoMedia.Box box, int depth) throws IOException {
        switch (box.type()) {
            case "mvhd" -> header(box);
            case "tkhd" -> {
                trackId = content.u32be(box.body() + (content.u8(box.body()) == 1 ? 20 : 12));
                size(box);
            }
            case "trex" -> {
                long of = content.u32be(box.body() + 4);
                Defaults known = defaults.get(of);
                defaults.put(of, new Defaults(known == null ? -1 : known.laid(), content.u32be(box.body() + 16)));
            }
            case "hdlr" -> films += Bytes.text(content, box.body() + 8, 4).equals("vide") ? 1 : 0;
            case "stco", "co64" -> places = box;
            case "stsc" -> perChunk = box;
            case "stsz" -> sizes = box;
            case "stsd" -> entries = box;
            default -> {
                if (HOLDERS.contains(box.type()) && depth < DEEPEST) {
                    tracks += box.type().equals("trak") ? 1 : 0;
                    holder(box, depth + 1);
                    if (box.type().equals("stbl")) {
                        track();
                    }
                }
            }
        }
    }

    private void header(IsoMedia.Box box) throws IOException {
        boolean wide = content.u8(box.body()) == 1;
        long scale = content.u32be(box.body() + (wide ? 20 : 12));
        long duration = wide ? content.i64be(box.body() + 24) : content.u32be(box.body() + 16);
        about = about.with(
                        About.TAKEN,
                        IsoMedia.time(wide ? content.i64be(box.body() + 4) : content.u32be(box.body() + 4)))
                .with(
                        About.SECONDS,
                        scale == 0 || duration <= 0
                                ? null
                                : String.format(Locale.ROOT, "%.1f", duration / (double) scale));
    }

    private void size(IsoMedia.Box box) throws IOException {
        long at = box.end() - 8;
        long width = content.u32be(at) >> 16;
        if (width > 0) {
            about = about.with(About.WIDTH, width).with(About.HEIGHT, content.u32be(at + 4) >> 16);
        }
    }

    /** Takes a track's chunks, each from its place on as long as its samples are. */
    private void track() throws IOException {
        if (places == null || perChunk == null || sizes == null) {
            return;
        }
        boolean wide = places.type().equals("co64");
        long count = content.u32be(places.body() + 4);
        long same = content.u32be(sizes.body() + 4);
        long samples = content.u32be(sizes.body() + 8);
        long runs = content.u32be(perChunk.body() + 4);
        boolean fits = count <= MOST_CHUNKS
                && count * (wide ? 8 : 4) <= places.end() - places.body() - 8
                && runs * 12 <= perChunk.end() - perChunk.body() - 8
                && (same != 0 || samples * 4 <= sizes.end() - sizes.body() - 12);
        malformed |= !fits;
        SampleCheck check = fits ? SampleCheck.of(content, entries) : null;
        int track = check == null ? -1 : laid.track(check);
        defaults.put(
                trackId,
                new Defaults(
                        track,
                        defaults.getOrDefault(trackId, new Defaults(-1, 0)).size()));
        long sample = 0;
        long run = 0;
        long inChunk = 0;
        for (long i = 0; fits && i < count; i++) {
            while (run < runs && content.u32be(perChunk.body() + 8 + run * 12) <= i + 1) {
                inChunk = content.u32be(perChunk.body() + 12 + run * 12);
                run++;
            }
            long bytes = 0;
            long at = wide ? content.i64be(places.body() + 8 + i * 8) : content.u32be(places.body() + 8 + i * 4);
            if (at < 0) {
                malformed = true;
                return;
            }
            if (same != 0) {
                // Sound of fixed samples may count them in another unit than bytes; its chunk is there when it begins
                // in the data.
                bytes = same == 1 ? 1 : Math.min(inChunk, samples - sample) * same;
                for (long s = 0; track >= 0 && same > 1 && (s + 1) * same <= bytes; s++) {
                    laid.add(track, at + s * same, same);
                }
                sample += inChunk;
            } else {
                for (long s = 0; s < inChunk && sample < samples; s++, sample++) {
                    long size = content.u32be(sizes.body() + 12 + sample * 4);
                    if (track >= 0) {
                        laid.add(track, at + bytes, size);
                    }
                    bytes += size;
                }
            }
            if (bytes < 0 || at > Long.MAX_VALUE - bytes) {
                malformed = true;
                return;
            }
            chunks.add(new Range(at, bytes));
        }
        places = null;
        perChunk = null;
        sizes = null;
        entries = null;
    }
}
