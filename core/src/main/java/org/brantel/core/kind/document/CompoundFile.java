package org.brantel.core.kind.document;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.Start;
import org.jspecify.annotations.Nullable;

/**
 * Compound files (MS-CFB), little-endian; office documents and messages are told by the streams that they hold.
 *
 * <pre>
 * offset size field
 *      0    8  D0 CF 11 E0 A1 B1 1A E1
 *     26    2  version: 3 or 4; 28 2 FFFE; 30 2 sector size as a power of two: 9 or 12
 *     44    4  number of table sectors; 48 4 first directory sector; 68 4 first sector of the list of table sectors, 72
 *     4 their number 76  436  the first 109 table sectors
 * </pre>
 *
 * The table says of every sector which one follows. The file is as long as the last sector that is in use; every chain
 * of the directory must lead through the table as far as the stream is long; the records of a workbook or presentation
 * must follow each other.
 */
final class CompoundFile implements ContentKind {

    private static final long FREE = 0xffffffffL;
    private static final long END = 0xfffffffeL;
    private static final long LAST = 0xfffffffaL;
    private static final int ENTRY = 128;
    private static final int MOST_TABLES = 1 << 16;
    /** Streams of drawings and of printed matter. */
    private static final Set<String> OTHER_PROGRAMS = Set.of("VisioDocument", "Quill");

    @Override
    public String code() {
        return "ole";
    }

    @Override
    public Set<String> codes() {
        return Set.of("ole", "doc", "xls", "ppt", "msg");
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("\u00d0\u00cf\u0011\u00e0\u00a1\u00b1\u001a\u00e1"));
    }

    @Override
    public long longest() {
        return 2L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        int shift = content.u16le(30);
        long tables = content.u32le(44);
        if (content.u16le(28) != 0xfffe || shift != 9 && shift != 12 || tables == 0 || tables > MOST_TABLES) {
            return Walk.broken(26, "the header is malformed");
        }
        int sector = 1 << shift;
        long[] table = table(content, shift, (int) tables);
        if (table == null) {
            return Walk.broken(76, "the table of sectors lies beyond what there is, or runs in a circle");
        }
        int used = 0;
        for (int i = 0; i < table.length; i++) {
            used = table[i] != FREE ? i + 1 : used;
        }
        long end = (long) (used + 1) * sector;
        if (used == 0 || end > content.length()) {
            return Walk.broken(content.length(), "sectors that are in use lie beyond what there is");
        }
        Contents contents = new Contents(content, table, shift);
        String fault = contents.read(content.u32le(48));
        if (fault != null) {
            return Walk.broken(0, fault).as(contents.code);
        }
        return judged(contents, end)
                .as(contents.code)
                .about(contents.about)
                .proving(sector + (tables + contents.directorySectors) * sector + contents.covered());
    }

    private static Walk judged(Contents contents, long end) {
        String chains = "Every chain of its table of sectors leads as far as its stream is long";
        if (contents.wrong >= 0) {
            return Walk.damaged(
                    end, chains + ", but at byte " + contents.wrong + " the records of its contents break off.");
        }
        Walk whole = Walk.whole(end, chains + ".");
        // Some programs fill the file up behind the last sector in use, some keep bytes of their own there.
        return contents.fromKnownProgram ? whole : whole.endingSomewhere();
    }

    /** @return for each sector the next one; null when the table is malformed */
    private static long @Nullable [] table(ByteView content, int shift, int count) throws IOException {
        int perSector = 1 << shift - 2;
        long[] table = new long[0];
        long list = content.u32le(68);
        long inList = -1;
        for (int i = 0; i < count; i++) {
            long where;
            if (i < 109) {
                where = content.u32le(76 + i * 4L);
            } else {
                int slot = (i - 109) % (perSector - 1);
                if (slot == 0) {
                    if (i > 109) {
                        list = content.u32le(inList + (perSector - 1) * 4L);
                    }
                    if (list >= LAST) {
                        return null;
                    }
                    inList = list + 1 << shift;
                }
                where = content.u32le(inList + slot * 4L);
            }
            long at = where + 1 << shift;
            if (where >= LAST || at + (1L << shift) > content.length()) {
                return null;
            }
            table = java.util.Arrays.copyOf(table, (i + 1) * perSector);
            for (int j = 0; j < perSector; j++) {
                table[i * perSector + j] = content.u32le(at + j * 4L);
            }
        }
        return table;
    }

    /**
     * The directory: entries of 128 bytes, a name in UTF-16, its length at 64, the type at 66, the first sector at 116,
     * the size at 120.
     */
    private static final class Contents {
        private final ByteView content;
        private final long[] table;
        private final int shift;
        private String code = "ole";
        /** Of these it was seen that they end where their last sector in use does. */
        private boolean fromKnownProgram;

        private About about = About.NONE;
        private long directorySectors;
        /** Where records stand, in the file. */
        private final TreeSet<Long> records = new TreeSet<>();

        private long wrong = -1;

        Contents(ByteView content, long[] table, int shift) {
            this.content = content;
            this.table = table;
            this.shift = shift;
        }

        /** @return what is wrong; null when nothing is */
        @Nullable
        String read(long first) throws IOException {
            long steps = 0;
            for (long s = first; s < LAST; s = table[(int) s]) {
                if (s >= table.length || ++steps > table.length) {
                    return "the directory's chain leaves the table";
                }
                directorySectors++;
                long at = s + 1 << shift;
                for (int i = 0; i < 1 << shift; i += ENTRY) {
                    String fault = entry(at + i);
                    if (fault != null) {
                        return fault;
                    }
                }
            }
            return steps == 0 ? "it has no directory" : null;
        }

        private @Nullable String entry(long at) throws IOException {
            int type = content.u8(at + 66);
            int nameBytes = content.u16le(at + 64);
            if (type == 0 || nameBytes < 4 || nameBytes > 64) {
                return type > 5 ? "a directory entry is malformed" : null;
            }
            String name = new String(content.bytes(at, nameBytes - 2), StandardCharsets.UTF_16LE);
            long size = shift == 9 ? content.u32le(at + 120) : content.i64le(at + 120);
            long first = content.u32le(at + 116);
            told(name);
            if (type != 2 || size < 4096) {
                return null;
            }
            List<Range> sectors = new ArrayList<>();
            for (long s = first; s < LAST; s = table[(int) s]) {
                if (s >= table.length || sectors.size() == table.length) {
                    return "a stream's chain leaves the table";
                }
                sectors.add(new Range(s + 1 << shift, 1L << shift));
            }
            if ((long) sectors.size() << shift < size) {
                return "a stream's chain is shorter than the stream";
            }
            check(name, sectors, size);
            if (name.equals("\u0005SummaryInformation")) {
                about = Summary.at(content, first + 1 << shift);
            }
            return null;
        }

        /** Holds the records of a main stream against each other. */
        private void check(String name, List<Range> sectors, long size) throws IOException {
            boolean workbook = name.equals("Workbook") || name.equals("Book");
            boolean presentation = name.equals("PowerPoint Document");
            boolean there = sectors.stream().allMatch(s -> s.end() <= content.length());
            if (wrong >= 0 || !workbook && !presentation || !there) {
                return;
            }
            ByteView stream = content.joined(runs(sectors, size));
            StreamRecords all = new StreamRecords(stream, at -> records.add(placed(sectors, at)));
            long at = workbook ? all.firstWrongOfWorkbook() : all.firstWrongOfPresentation();
            wrong = at < 0 ? -1 : placed(sectors, Math.min(at, size - 1));
        }

        /** Sectors that follow each other as one; the last one ends where the stream does. */
        private static List<Range> runs(List<Range> sectors, long size) {
            List<Range> runs = new ArrayList<>();
            long left = size;
            for (Range s : sectors) {
                long length = Math.min(s.length(), left);
                Range last = runs.isEmpty() ? null : runs.get(runs.size() - 1);
                if (last != null && last.end() == s.offset()) {
                    runs.set(runs.size() - 1, new Range(last.offset(), last.length() + length));
                } else if (length > 0) {
                    runs.add(new Range(s.offset(), length));
                }
                left -= length;
            }
            return runs;
        }

        private long placed(List<Range> sectors, long at) {
            return sectors.get((int) (at >> shift)).offset() + (at & (1L << shift) - 1);
        }

        /** Bytes that the places of records cover. */
        long covered() {
            Coverage coverage = new Coverage();
            records.forEach(coverage::place);
            return coverage.bytes();
        }

        private void told(String name) {
            code = switch (name) {
                case "WordDocument" -> "doc";
                case "Workbook", "Book" -> "xls";
                case "PowerPoint Document" -> "ppt";
                case "__properties_version1.0" -> "msg";
                default -> code;
            };
            fromKnownProgram |= !code.equals("ole") || OTHER_PROGRAMS.contains(name);
        }
    }

    /**
     * Properties (MS-OLEPS): behind 48 bytes, size and number, then for each its name and where it stands; 2 title, 4
     * author, 14 pages.
     */
    private static final class Summary {
        private Summary() {}

        static About at(ByteView content, long stream) throws IOException {
            long set = stream + content.u32le(stream + 44);
            long count = Math.min(100, content.u32le(set + 4));
            About about = About.NONE;
            for (long i = 0; i < count && set + 16 + i * 8 < content.length(); i++) {
                long name = content.u32le(set + 8 + i * 8);
                long at = set + content.u32le(set + 12 + i * 8);
                if (at + 8 > content.length()) {
                    return about;
                }
                boolean text = content.u32le(at) == 30;
                about = name == 2 && text
                        ? about.with(About.TITLE, text(content, at))
                        : name == 4 && text
                                ? about.with(About.AUTHOR, text(content, at))
                                : name == 14 && content.u32le(at) == 3
                                        ? about.with(About.PAGES, content.u32le(at + 4))
                                        : about;
            }
            return about;
        }

        private static String text(ByteView content, long at) throws IOException {
            return Bytes.upToZero(content, at + 8, (int) Math.min(200, content.u32le(at + 4)));
        }
    }
}
