package org.brantel.core.kind.media;

import java.io.IOException;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.brantel.core.bytes.BigEndian;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.Resumable;
import org.brantel.core.kind.Start;
import org.jspecify.annotations.Nullable;

/**
 * ISO base media (ISO/IEC 14496-12) and what is built on it: MP4, QuickTime, 3GPP, HEIF and AVIF (ISO/IEC 23008-12),
 * and camera raw files in it. Big-endian boxes:
 *
 * <pre>
 * offset size field
 *      0    4  bytes of the box, this head included; 1: they stand at 8 in 8 bytes; 0: up to the file's end
 *      4    4  type
 * </pre>
 *
 * The file is its run of known boxes of the first level. Everything that the sample tables and item locations point to
 * must lie in its data boxes.
 */
final class IsoMedia implements ContentKind {

    private static final Set<String> TOP = Set.of(
            "ftyp", "moov", "mdat", "free", "skip", "wide", "pnot", "udta", "meta", "uuid", "moof", "mfra", "sidx",
            "ssix", "styp", "prft", "emsg", "pdin", "PICT", "junk");
    private static final Set<String> BEGINNINGS = Set.of("ftyp", "moov", "mdat", "wide", "pnot", "free", "skip");
    static final long MOOV = 0x6d6f6f76;
    static final String BROKEN_SAMPLE = "a picture or a piece of sound is not as its coding writes it";
    private static final int MOST_BOXES = 100_000;
    private static final int EPOCH_1904 = 2_082_844_800;

    @Override
    public String code() {
        return "mp4";
    }

    @Override
    public Set<String> codes() {
        return Set.of("mp4", "mov", "m4a", "m4v", "3gp", "heic", "avif", "cr3");
    }

    @Override
    public List<Start> starts() {
        return List.of(
                Start.at(4, "ftyp"),
                Start.at(4, "moov"),
                Start.at(4, "mdat"),
                Start.at(4, "wide"),
                Start.at(4, "pnot"));
    }

    @Override
    public boolean couldStart(byte[] b, int at) {
        long size = BigEndian.u32(b, at);
        return switch (b[at + 4]) {
            case 'f' -> size >= 16 && size <= 4096 && (size & 3) == 0;
            case 'w' -> size == 8;
            case 'p' -> size == 20;
            default -> size == 1 || size >= 16;
        };
    }

    @Override
    public long longest() {
        return 64L << 30;
    }

    /**
     * A box.
     *
     * @param body where what it holds begins
     */
    record Box(String type, long at, long body, long end) {}

    /** @return null when none stands there */
    static @Nullable Box box(ByteView content, long at, long limit) throws IOException {
        if (at + 8 > limit) {
            return null;
        }
        long size = content.u32be(at);
        long head = 8;
        if (size == 1 && at + 16 <= limit) {
            size = content.i64be(at + 8);
            head = 16;
        }
        return size < head || size > limit - at || !Bytes.isFourCharacters(content, at + 4)
                ? null
                : new Box(Bytes.fourCharacters(content, at + 4), at, at + head, at + size);
    }

    /** What is gathered on the way. */
    private static final class Told {
        private final RangeSet data = new RangeSet();
        private final Coverage coverage = new Coverage();
        private @Nullable Box index;
        private @Nullable Box items;
        private final List<Box> fragments = new ArrayList<>();
        /** Whether its data go on up to the file's end, as a length of zero says. */
        private boolean open;

        private String brand = "";
        private long end;
        private @Nullable SampleTables tables;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        return walk(content, new Told());
    }

    @Override
    public @Nullable Resumable resumable(ByteView content) throws IOException {
        Told told = new Told();
        try {
            walk(content, told);
        } catch (ByteView.End pieceMissing) {
            // What was told until then is enough.
        }
        if (!told.fragments.isEmpty() || told.items != null || told.data.isEmpty()) {
            return null;
        }
        if (told.index == null) {
            return IsoAgain.indexLater(this, content, told.end);
        }
        return told.tables == null || told.tables.isMalformed()
                ? IndexAgain.of(this, told.index, told.data)
                : IsoAgain.indexFirst(this, content, told.tables);
    }

    private Walk walk(ByteView content, Told told) throws IOException {
        long at = 0;
        for (int boxes = 0; boxes < MOST_BOXES; boxes++) {
            if (boxes > 0 && isOpen(content, at)) {
                told.open = true;
                told.data.add(new Range(at + 8, content.length() - at - 8));
                break;
            }
            Box box = box(content, at, content.length());
            if (boxes == 0 && (box == null || !BEGINNINGS.contains(box.type()))) {
                return Walk.broken(0, "does not begin with a box");
            }
            if (box == null
                    || !TOP.contains(box.type())
                    || boxes > 0 && box.type().equals("ftyp")) {
                break;
            }
            take(content, box, told);
            at = box.end();
            told.end = at;
        }
        String code = code(told);
        if (told.index == null && told.items == null) {
            return Walk.broken(at, "its index is missing").as(code);
        }
        SampleTables tables = new SampleTables(content);
        About about = told.index == null ? About.NONE : tables.read(told.index);
        told.tables = tables;
        ItemPlaces items = new ItemPlaces(content);
        if (told.items != null && !items.lieIn(told.items, at)) {
            return Walk.broken(told.items.at(), "an item lies outside the file").as(code);
        }
        if (told.index != null && tables.isMalformed()) {
            return Walk.broken(told.index.at(), "a box of its index is malformed")
                    .as(code);
        }
        if (told.index != null && told.fragments.isEmpty() && !tables.lieIn(told.data)) {
            return Walk.broken(told.index.at(), "samples lie outside its data").as(code);
        }
        if (told.index != null && told.items == null && told.fragments.isEmpty() && told.data.isEmpty()) {
            return Walk.broken(at, "it has no data").as(code);
        }
        Fragments fragments = new Fragments(content, tables);
        for (Box fragment : told.fragments) {
            fragments.read(fragment);
        }
        if (!fragments.lieIn(told.data)) {
            return Walk.damaged(at, "Its boxes follow each other, but samples of a fragment lie outside its data.")
                    .as(code)
                    .about(about);
        }
        long broken = tables.laid().firstBroken(content, 0);
        if (broken >= 0) {
            return Walk.damaged(
                            at,
                            "Its boxes follow each other, but at byte " + broken + " " + BROKEN_SAMPLE
                                    + "; what stands before that, and behind the cluster, may be right.")
                    .as(code)
                    .about(about);
        }
        at = told.open ? Math.max(at + 8, tables.end()) : at;
        code = code.equals("mp4") && tables.soundAlone() ? "m4a" : code;
        about = told.items == null ? about : about.and(ItemPlaces.size(content, told.items));
        tables.laid().cover(told.coverage);
        told.coverage.place(at);
        return Walk.fitting(
                        at,
                        "Its boxes follow each other, and all that its index points to lies in them"
                                + (tables.laid().isEmpty() ? "." : "; its samples are as their coding writes them."))
                .as(code)
                .about(about)
                .proving(told.coverage.bytes())
                .holding(
                        place -> items.starts().contains(place) || tables.laid().beginAt(place));
    }

    private static boolean isOpen(ByteView content, long at) throws IOException {
        return at + 8 <= content.length()
                && content.u32be(at) == 0
                && Bytes.fourCharacters(content, at + 4).equals("mdat");
    }

    private static void take(ByteView content, Box box, Told told) throws IOException {
        switch (box.type()) {
            case "ftyp" -> told.brand = Bytes.text(content, box.body(), (int) Math.min(64, box.end() - box.body()));
            case "moov" -> told.index = box;
            case "meta" -> told.items = box;
            case "moof" -> told.fragments.add(box);
            case "mdat" -> told.data.add(new Range(box.body(), box.end() - box.body()));
            default -> {}
        }
    }

    private static String code(Told told) {
        String major = told.brand.length() < 4 ? "" : told.brand.substring(0, 4);
        if (major.isEmpty() || major.equals("qt  ")) {
            return "mov";
        }
        if (major.equals("crx ")) {
            return "cr3";
        }
        String all = told.brand.toLowerCase(Locale.ROOT);
        if (major.startsWith("avi") || major.equals("mif1") && all.contains("avif")) {
            return "avif";
        }
        if (major.startsWith("hei") || major.startsWith("hev") || major.equals("mif1") || major.equals("msf1")) {
            return "heic";
        }
        return major.startsWith("3g")
                ? "3gp"
                : major.equals("M4A ") || major.equals("M4B ") ? "m4a" : major.equals("M4V ") ? "m4v" : "mp4";
    }

    static @Nullable String time(long since1904) {
        return since1904 <= EPOCH_1904
                ? null
                : LocalDateTime.ofEpochSecond(since1904 - EPOCH_1904, 0, ZoneOffset.UTC)
                        .toString();
    }
}
