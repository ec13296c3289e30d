package org.brantel.core.filesystem.optical;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;
import static org.brantel.core.bytes.LittleEndian.u8;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.filesystem.Damaged;
import org.brantel.core.filesystem.FileRecord;
import org.brantel.core.filesystem.FileSystem;
import org.brantel.core.filesystem.Judge;
import org.brantel.core.filesystem.NotThisFormat;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.filesystem.Placement;
import org.brantel.core.filesystem.Problems;
import org.brantel.core.filesystem.Remark;
import org.brantel.core.filesystem.Space;
import org.brantel.core.filesystem.VolumeFacts;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Times;
import org.brantel.core.source.Source;

/**
 * An ISO 9660 volume: descriptors of 2048 bytes from byte 32768 (ECMA-119 section 8).
 *
 * <pre>
 * offset size field
 *      0    1  type: 1 primary, 2 supplementary, 255 last
 *      1    5  "CD001"
 *     40   32  label
 *     80    4  blocks of the volume
 *     88   32  supplementary: 25 2F 40, 43 or 45 says that names are UCS-2, big-endian
 *    128    2  bytes of a block
 *    156   34  record of the root folder
 * </pre>
 */
final class IsoReader implements FileSystem {

    private static final String FAMILY = "an ISO 9660 volume";
    private static final byte[] NAME = "CD001".getBytes(StandardCharsets.US_ASCII);
    private static final long FIRST = 32768;
    private static final int DESCRIPTOR = 2048;
    private static final int MOST_DESCRIPTORS = 64;
    private static final long MAX_FOLDER = 64L << 20;
    private static final int MAX_DEPTH = 64;

    /** A tree of folders; {@code wide} when its names are UCS-2. */
    private record Tree(String label, long blocks, int blockBytes, Extent root, boolean wide) {}

    private record Folder(String path, Extent where, int depth) {}

    private final Source source;
    private final long start;
    private final Tree primary;
    private final Tree tree;
    private final int skip;

    private IsoReader(Source source, long start, Tree primary, Tree tree, int skip) {
        this.source = source;
        this.start = start;
        this.primary = primary;
        this.tree = tree;
        this.skip = skip;
    }

    /** @throws ParseFailure with field, place and value, when there is no ISO 9660 volume */
    public static IsoReader open(Source source, Range room) throws IOException {
        long start = room.offset();
        if (room.length() < FIRST + DESCRIPTOR) {
            throw new NotThisFormat(FAMILY, "volume length", start, room.length(), "at least " + (FIRST + DESCRIPTOR));
        }
        Tree primary = null;
        Tree wide = null;
        for (int i = 0; i < MOST_DESCRIPTORS && FIRST + (i + 1L) * DESCRIPTOR <= room.length(); i++) {
            long at = start + FIRST + (long) i * DESCRIPTOR;
            byte[] b = ByteView.of(source, new Range(at, DESCRIPTOR)).bytes(0, DESCRIPTOR);
            boolean known = new String(b, 1, 5, StandardCharsets.ISO_8859_1)
                    .equals(new String(NAME, StandardCharsets.ISO_8859_1));
            NotThisFormat.unless(known || primary != null, FAMILY, "name", at + 1, "another", "'CD001'");
            if (!known || u8(b, 0) == 255) {
                break;
            }
            if (u8(b, 0) == 1 && primary == null) {
                primary = tree(b, at, start, false);
            } else if (u8(b, 0) == 2 && b[88] == 0x25 && b[89] == 0x2f) {
                wide = tree(b, at, start, true);
            }
        }
        if (primary == null) {
            throw new Damaged(FAMILY, "primary descriptor", start + FIRST, "none", "one");
        }
        int skip = systemUse(source, primary.root());
        return new IsoReader(source, start, primary, skip >= 0 || wide == null ? primary : wide, skip);
    }

    private static Tree tree(byte[] b, long at, long start, boolean wide) throws ParseFailure {
        int blockBytes = u16(b, 128);
        Damaged.unless(
                blockBytes >= 512 && blockBytes <= 2048 && Integer.bitCount(blockBytes) == 1,
                FAMILY,
                "block size",
                at + 128,
                blockBytes,
                "512, 1024 or 2048");
        Optional<IsoRecord> root = IsoRecord.parse(b, 156, 190, wide, -1);
        Damaged.unless(root.isPresent() && root.get().folder(), FAMILY, "root folder", at + 156, "none", "a folder");
        String label = new String(b, 40, 32, wide ? StandardCharsets.UTF_16BE : StandardCharsets.ISO_8859_1).strip();
        return new Tree(
                label,
                u32(b, 80),
                blockBytes,
                new Extent(start + root.get().block() * blockBytes, root.get().size()),
                wide);
    }

    /**
     * The first record of the root folder says how many bytes of each system use field belong to others (SUSP 5.3); -1
     * where it is not used.
     */
    private static int systemUse(Source source, Extent root) throws IOException {
        byte[] b = new byte[DESCRIPTOR];
        if (root.offset() > source.size() - b.length
                || !source.read(root.offset(), b, 0, b.length).isClean()) {
            return -1;
        }
        int at = IsoRecord.HEAD + 1;
        boolean marked = b[at] == 'S'
                && b[at + 1] == 'P'
                && u8(b, at + 2) >= 7
                && u8(b, at + 4) == 0xbe
                && u8(b, at + 5) == 0xef;
        return marked ? u8(b, at + 6) : -1;
    }

    @Override
    public VolumeFacts facts() {
        String names = skip >= 0
                ? "Its names are in the system use fields."
                : tree.wide() ? "Its names are those of the supplementary tree." : "It has short names only.";
        return new VolumeFacts(
                "iso9660",
                tree.label().isEmpty() ? primary.label() : tree.label(),
                "",
                new Range(start, primary.blocks() * primary.blockBytes()),
                primary.blockBytes(),
                null,
                true,
                List.of(Remark.ofState(names)));
    }

    @Override
    public boolean stands() throws IOException {
        byte[] b = new byte[DESCRIPTOR];
        boolean there = tree.root().offset() <= source.size() - b.length
                && source.read(tree.root().offset(), b, 0, b.length).isClean();
        return there
                && IsoRecord.parse(b, 0, b.length, tree.wide(), -1)
                        .map(r -> r.folder() && r.isDots())
                        .orElse(false);
    }

    @Override
    public List<Range> free() {
        return List.of();
    }

    @Override
    public Walked walk(Walk walk) throws IOException {
        Problems problems = new Problems(walk.sink(), "the volume at byte " + start);
        problems.cutOff(facts().place(), source.size());
        long blocks = Math.min(primary.blocks(), (source.size() - start) / tree.blockBytes() + 1);
        Judge judge = new Judge(source, new Space(start, tree.blockBytes(), 0, Math.max(1, blocks)), walk, false);
        Deque<Folder> waiting = new ArrayDeque<>(List.of(new Folder("/", tree.root(), 0)));
        Set<Long> seen = new HashSet<>(Set.of(tree.root().offset()));
        while (!waiting.isEmpty() && !walk.stopped()) {
            Folder folder = waiting.poll();
            if (folder.where().offset() >= source.size()) {
                problems.add("Folder " + folder.path() + " lies at byte "
                        + folder.where().offset() + ", beyond the medium's end.");
                continue;
            }
            read(folder, judge, problems, waiting, seen);
        }
        return Walked.of(List.of());
    }

    private void read(Folder folder, Judge judge, Problems problems, Deque<Folder> waiting, Set<Long> seen)
            throws IOException {
        long length = Math.min(
                Math.min(folder.where().length(), MAX_FOLDER),
                source.size() - folder.where().offset());
        byte[] block = new byte[tree.blockBytes()];
        Extents parts = new Extents();
        for (long at = 0; at < length; at += block.length) {
            long placed = folder.where().offset() + at;
            if (placed + block.length > source.size()
                    || !source.read(placed, block, 0, block.length).isClean()) {
                problems.add("Folder " + folder.path() + ": " + block.length + " bytes at " + placed
                        + " were not read; entries there are missing.");
                continue;
            }
            for (int i = 0; i < block.length && u8(block, i) != 0; ) {
                Optional<IsoRecord> record = IsoRecord.parse(block, i, block.length, tree.wide(), skip);
                if (record.isEmpty()) {
                    problems.add("Folder " + folder.path() + ": the record at byte " + (placed + i)
                            + " is malformed; the rest of its block was passed over.");
                    break;
                }
                IsoRecord r = record.get();
                i += r.length();
                Extent where = new Extent(start + r.block() * tree.blockBytes(), r.size());
                if (r.isDots()) {
                    continue;
                }
                if (r.folder()) {
                    if (folder.depth() < MAX_DEPTH && seen.add(where.offset())) {
                        waiting.add(new Folder(folder.path() + r.name() + "/", where, folder.depth() + 1));
                    }
                    continue;
                }
                parts.add(where.offset(), where.length());
                if (!r.continued()) {
                    judge.live(new FileRecord(
                            Named.of(folder.path() + r.name(), r.name()),
                            true,
                            parts.length(),
                            new Placement.Known(parts.list()),
                            null,
                            new Times(r.recorded(), r.recorded(), null),
                            List.of(),
                            RecordFacts.at(placed + i - r.length(), List.of())));
                    parts = new Extents();
                }
            }
        }
    }

    /** Whether a sector begins like a volume descriptor. */
    static boolean begins(byte[] b, int i) {
        return b[i + 1] == NAME[0] && Arrays.equals(b, i + 1, i + 1 + NAME.length, NAME, 0, NAME.length);
    }
}
