package org.brantel.core.filesystem.optical;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;
import static org.brantel.core.bytes.LittleEndian.u8;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.content.FileContent;
import org.brantel.core.filesystem.Damaged;
import org.brantel.core.filesystem.Fault;
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
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/**
 * A UDF volume. The anchor in block 256 (ECMA-167 section 3/10.2) leads to the volume's descriptors, these to the
 * partitions (plain ones, and the metadata partition of UDF 2.2.10 that lies in a file of a plain one), the logical
 * volume to the set of files, that to the root folder.
 *
 * <pre>
 * anchor            logical volume            partition           file set
 *  16 4 bytes        84 128 label             22 2 number         400 16 root folder
 *  20 4 block       212   4 bytes of a block 188 4 first block
 *                   248  16 file set         192 4 blocks
 *                   268   4 maps, from 440
 * </pre>
 */
final class UdfReader implements FileSystem {

    private static final String FAMILY = "a UDF volume";
    private static final int ANCHOR_BLOCK = 256;
    private static final int MOST_DESCRIPTORS = 64;
    private static final long MAX_FOLDER = 64L << 20;

    /** @param metadata extents of the metadata file, for a partition that lies in one; null for a plain one */
    private record Part(
            long firstByte, long bytes, @Nullable List<Extent> metadata) {}

    private static final byte[] EXTENDED_AREA = "BEA01".getBytes(StandardCharsets.US_ASCII);

    private record Folder(String path, UdfEntry entry) {}

    private final Source source;
    private final long start;
    private final int blockBytes;
    private String label = "";
    private final List<Part> parts = new ArrayList<>();
    private final List<Remark> remarks = new ArrayList<>();
    private byte[] fileSetPlace = new byte[0];
    private long end;

    private UdfReader(Source source, long start, int blockBytes) {
        this.source = source;
        this.start = start;
        this.blockBytes = blockBytes;
    }

    /** @throws ParseFailure with field, place and value, when there is no UDF volume */
    public static UdfReader open(Source source, Range room) throws IOException {
        for (int blockBytes : new int[] {2048, 512, 4096, 1024}) {
            long at = room.offset() + (long) ANCHOR_BLOCK * blockBytes;
            byte[] b = new byte[512];
            boolean there = (long) ANCHOR_BLOCK * blockBytes + 512 <= room.length()
                    && at <= source.size() - b.length
                    && source.read(at, b, 0, b.length).isClean();
            if (there && UdfTag.of(b, 0) == UdfTag.ANCHOR && UdfTag.blockOf(b, 0) == ANCHOR_BLOCK) {
                UdfReader reader = new UdfReader(source, room.offset(), blockBytes);
                reader.descriptors(u32(b, 20), u32(b, 16));
                Damaged.unless(
                        !reader.parts.isEmpty() && reader.fileSetPlace.length > 0,
                        FAMILY,
                        "descriptors",
                        room.offset() + u32(b, 20) * blockBytes,
                        "incomplete",
                        "a partition and a logical volume");
                return reader;
            }
        }
        throw new NotThisFormat(FAMILY, "anchor", room.offset() + ANCHOR_BLOCK * 2048L, "none", "one in block 256");
    }

    private void descriptors(long block, long bytes) throws IOException {
        Map<Integer, Part> byNumber = new HashMap<>();
        byte[] logical = null;
        byte[] b = new byte[blockBytes];
        for (int i = 0; i < Math.min(MOST_DESCRIPTORS, bytes / blockBytes); i++) {
            long at = start + (block + i) * blockBytes;
            if (at > source.size() - b.length
                    || !source.read(at, b, 0, b.length).isClean()) {
                continue;
            }
            int tag = UdfTag.of(b, 0);
            if (tag == UdfTag.LAST) {
                break;
            }
            if (tag == UdfTag.PARTITION) {
                Part part = new Part(start + u32(b, 188) * blockBytes, u32(b, 192) * blockBytes, null);
                byNumber.put(u16(b, 22), part);
                end = Math.max(end, part.firstByte() + part.bytes());
            } else if (tag == UdfTag.LOGICAL_VOLUME && u32(b, 212) == blockBytes) {
                logical = b.clone();
            }
        }
        if (logical != null) {
            label = UdfEntry.text(logical, 84, 127, u8(logical, 84 + 127));
            fileSetPlace = Arrays.copyOfRange(logical, 248, 264);
            maps(logical, byNumber);
        }
    }

    /**
     * Partition maps (ECMA-167 section 3/10.7; UDF 2.2.8 to 2.2.10): type 1 names a partition, type 2 says what lies in
     * one.
     */
    private void maps(byte[] b, Map<Integer, Part> byNumber) throws IOException {
        int at = 440;
        for (long i = 0; i < Math.min(16, u32(b, 268)) && at + 6 <= b.length; i++) {
            int length = u8(b, at + 1);
            if (length < 6 || at + length > b.length) {
                return;
            }
            if (u8(b, at) == 1) {
                parts.add(orNothing(byNumber.get(u16(b, at + 4))));
            } else if (length >= 64) {
                String kind = new String(b, at + 5, 23, StandardCharsets.ISO_8859_1);
                Part under = byNumber.get(u16(b, at + 38));
                parts.add(
                        kind.startsWith("*UDF Metadata") && under != null
                                ? metadata(under, u32(b, at + 40))
                                : orNothing(kind.startsWith("*UDF Sparable") ? under : null));
                if (kind.startsWith("*UDF Virtual")) {
                    remarks.add(Remark.grave(
                            "It was written in steps, with a table that renumbers its blocks; that is not read yet."));
                }
            }
            at += length;
        }
    }

    /** Maps count, also those that lead to no partition. */
    private static Part orNothing(@Nullable Part part) {
        return part == null ? new Part(0, 0, null) : part;
    }

    private Part metadata(Part under, long fileBlock) throws IOException {
        Optional<UdfEntry> file = UdfEntry.read(source, under.firstByte() + fileBlock * blockBytes, blockBytes);
        Extents extents = new Extents();
        if (file.isPresent()) {
            for (UdfEntry.Piece p : file.get().pieces()) {
                extents.add(p.recorded() ? under.firstByte() + p.block() * blockBytes : Extent.HOLE, p.bytes());
            }
        }
        return new Part(under.firstByte(), under.bytes(), extents.list());
    }

    /** Where a block of a partition lies; -1 where that is not known. */
    private long place(int part, long block) {
        return places(part, block, 1).stream()
                .filter(e -> !e.isHole())
                .findFirst()
                .map(Extent::offset)
                .orElse(-1L);
    }

    /** Where a stretch of a partition lies; shorter where that is not known. */
    private List<Extent> places(int part, long block, long bytes) {
        if (part >= parts.size()) {
            return List.of();
        }
        Part p = parts.get(part);
        if (p.metadata() != null) {
            return Extents.slice(p.metadata(), block * blockBytes, bytes);
        }
        long length = Math.min(bytes, p.bytes() - block * blockBytes);
        return length <= 0 ? List.of() : List.of(new Extent(p.firstByte() + block * blockBytes, length));
    }

    private Optional<UdfEntry> entry(byte[] b, int at) throws IOException {
        long place = place(u16(b, at + 8), u32(b, at + 4));
        return place < 0
                ? Optional.empty()
                : UdfEntry.read(source, place, blockBytes).map(e -> e.in(u16(b, at + 8)));
    }

    private Optional<UdfEntry> root() throws IOException {
        long place = place(u16(fileSetPlace, 8), u32(fileSetPlace, 4));
        byte[] b = new byte[512];
        boolean there = place >= 0
                && place <= source.size() - b.length
                && source.read(place, b, 0, b.length).isClean()
                && UdfTag.of(b, 0) == UdfTag.FILE_SET;
        return there ? entry(b, 400).filter(UdfEntry::isFolder) : Optional.empty();
    }

    @Override
    public VolumeFacts facts() {
        return new VolumeFacts(
                "udf",
                label,
                "",
                new Range(start, Math.max(end - start, ANCHOR_BLOCK * (long) blockBytes)),
                blockBytes,
                null,
                true,
                remarks);
    }

    @Override
    public boolean stands() throws IOException {
        return root().isPresent();
    }

    @Override
    public List<Range> free() {
        return List.of();
    }

    @Override
    public Walked walk(Walk walk) throws IOException {
        Problems problems = new Problems(walk.sink(), "the volume at byte " + start);
        Optional<UdfEntry> root = root();
        if (root.isEmpty()) {
            problems.add("The root folder of the volume at byte " + start + " was not found.");
            return Walked.of(List.of());
        }
        Judge judge = new Judge(
                source,
                new Space(start, blockBytes, 0, Math.max(1, (Math.min(end, source.size()) - start) / blockBytes + 1)),
                walk,
                false);
        Deque<Folder> waiting = new ArrayDeque<>(List.of(new Folder("/", root.get())));
        Set<Long> seen = new HashSet<>(Set.of(root.get().at()));
        while (!waiting.isEmpty() && !walk.stopped()) {
            read(waiting.poll(), judge, problems, waiting, seen);
        }
        return Walked.of(List.of());
    }

    /**
     * File identifiers (ECMA-167 section 4/14.4): flags at 18 (2 folder, 4 deleted, 8 parent), bytes of the name at 19,
     * entry at 20, name from 38 on.
     */
    private void read(Folder folder, Judge judge, Problems problems, Deque<Folder> waiting, Set<Long> seen)
            throws IOException {
        List<Extent> extents = extents(folder.entry());
        FileContent content = new FileContent(
                source, extents, Math.min(MAX_FOLDER, Math.min(folder.entry().size(), Extents.length(extents))), null);
        byte[] b = new byte[(int) content.size()];
        if (!content.read(0, b, 0, b.length).isClean()) {
            problems.add("Folder " + folder.path() + " was not read in full; entries are missing.");
        }
        for (int at = 0; at + 38 <= b.length; ) {
            if (UdfTag.of(b, at) != UdfTag.FILE_NAME) {
                problems.add("Folder " + folder.path() + ": the entry at its byte " + at
                        + " is malformed; the rest was passed over.");
                return;
            }
            int flags = u8(b, at + 18);
            int nameLength = u8(b, at + 19);
            int nameAt = at + 38 + u16(b, at + 36);
            if (nameAt + nameLength > b.length) {
                return;
            }
            if ((flags & 0xc) == 0) {
                String name = UdfEntry.text(b, nameAt, nameLength, nameLength);
                Optional<UdfEntry> entry = entry(b, at + 20);
                if (entry.isEmpty()) {
                    problems.add(folder.path() + name + ": its file entry was not read.");
                } else if (entry.get().isFolder()) {
                    if (seen.add(entry.get().at())) {
                        waiting.add(new Folder(folder.path() + name + "/", entry.get()));
                    }
                } else {
                    judge.live(file(folder.path(), name, entry.get()));
                }
            }
            at = nameAt + nameLength + 3 & ~3;
        }
    }

    private FileRecord file(String folder, String name, UdfEntry e) {
        List<Extent> extents = extents(e);
        List<Fault> faults = new ArrayList<>();
        if (Extents.length(extents) < e.size()) {
            faults.add(new Fault.Unplaced(Extents.length(extents), e.size(), "its record names no more extents"));
        }
        Placement placement = e.embedded()
                ? new Placement.InRecord(Extents.cut(extents, e.size()))
                : new Placement.Known(Extents.cut(extents, e.size()));
        return new FileRecord(
                Named.of(folder + name, name),
                true,
                e.size(),
                placement,
                null,
                e.times(),
                faults,
                RecordFacts.at(e.at(), List.of()));
    }

    private List<Extent> extents(UdfEntry e) {
        Extents extents = new Extents();
        for (UdfEntry.Piece p : e.pieces()) {
            if (e.embedded()) {
                extents.add(p.block(), p.bytes());
                continue;
            }
            if (!p.recorded()) {
                extents.add(Extent.HOLE, p.bytes());
                continue;
            }
            List<Extent> placed = places(p.part() < 0 ? e.part() : p.part(), p.block(), p.bytes());
            placed.forEach(x -> extents.add(x.offset(), x.length()));
            if (Extents.length(placed) < p.bytes()) {
                return extents.list();
            }
        }
        return extents.list();
    }

    /** Whether a sector begins like the descriptor with which the extended area begins (ECMA-167, 2/9.2). */
    static boolean begins(byte[] b, int i) {
        return b[i + 1] == EXTENDED_AREA[0]
                && Arrays.equals(b, i + 1, i + 1 + EXTENDED_AREA.length, EXTENDED_AREA, 0, EXTENDED_AREA.length);
    }
}
