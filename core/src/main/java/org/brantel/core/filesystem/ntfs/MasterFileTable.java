package org.brantel.core.filesystem.ntfs;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.brantel.core.bytes.LittleEndian;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.content.FileContent;
import org.brantel.core.filesystem.Problems;
import org.brantel.core.source.Source;

/**
 * The master file table: its records in order, or one by one. Where its first records are gone, their mirror serves.
 */
final class MasterFileTable implements Records {

    private static final int BLOCK = 256 << 10;

    private final Source source;
    private final BootSector boot;
    private final long clusters;
    private final Problems problems;
    private List<Extent> extents = List.of();
    private FileContent content;

    private MasterFileTable(Source source, BootSector boot, Problems problems) {
        this.source = source;
        this.boot = boot;
        this.problems = problems;
        this.clusters = boot.clusters();
        content = new FileContent(source, extents, 0, null);
    }

    static MasterFileTable open(Source source, BootSector boot, Problems problems) throws IOException {
        MasterFileTable table = new MasterFileTable(source, boot, problems);
        Optional<MftRecord> first = table.at(boot.offset(boot.mftCluster()), 0);
        if (first.isEmpty()) {
            problems.add("The first record of the file table at byte " + boot.offset(boot.mftCluster())
                    + " is not sound; its mirror is asked.");
            first = table.at(boot.offset(boot.mirrorCluster()), 0);
        }
        Optional<Attribute> data = first.flatMap(r -> r.attributes().stream()
                .filter(a -> a.type() == Attribute.DATA && a.name().isEmpty() && !a.resident() && a.extents() != null)
                .findFirst());
        if (data.isEmpty()) {
            problems.add("Neither the first record of the file table nor its mirror is sound: the table is taken to "
                    + "run on from cluster "
                    + boot.mftCluster() + ", as far as records stand there.");
            table.take(table.runOn());
            return table;
        }
        // The first piece leads to the records that hold the others.
        table.take(Objects.requireNonNull(data.get().extents()));
        AttributeList pieces = new AttributeList(table);
        table.take(
                Extents.cut(pieces.dataOf(first.get(), ""), Math.max(data.get().size(), boot.recordBytes())));
        return table;
    }

    /** A table has no holes and is not larger than what it lies on. */
    private void take(List<Extent> newExtents) {
        List<Extent> stored = new ArrayList<>();
        for (Extent e : newExtents) {
            if (e.isHole()) {
                problems.add("The file table has a hole after " + Extents.length(stored)
                        + " bytes; it is taken to end there.");
                break;
            }
            stored.add(e);
        }
        extents = Extents.cut(stored, source.size());
        content = new FileContent(source, extents, Extents.length(extents), null);
    }

    private List<Extent> runOn() throws IOException {
        long from = boot.offset(boot.mftCluster());
        long at = from;
        while (at <= source.size() - boot.recordBytes() && at(at, 0).isPresent()) {
            at += boot.recordBytes();
        }
        return at == from ? List.of() : List.of(new Extent(from, at - from));
    }

    @Override
    public BootSector boot() {
        return boot;
    }

    long clusters() {
        return clusters;
    }

    @Override
    public Source source() {
        return source;
    }

    List<Extent> extents() {
        return extents;
    }

    long records() {
        return content.size() / boot.recordBytes();
    }

    /** The record that stands at a byte of the source, whatever place in the table that is. */
    Optional<MftRecord> at(long offset, long number) throws IOException {
        byte[] block = new byte[boot.recordBytes()];
        if (offset < 0
                || offset > source.size() - block.length
                || !source.read(offset, block, 0, block.length).isClean()) {
            return Optional.empty();
        }
        return MftRecord.parse(block, 0, boot, clusters, number);
    }

    @Override
    public Optional<MftRecord> record(long number) throws IOException {
        if (number < 0 || number >= records()) {
            return Optional.empty();
        }
        byte[] block = new byte[boot.recordBytes()];
        boolean clean = content.read(number * boot.recordBytes(), block, 0, block.length)
                .isClean();
        return clean ? MftRecord.parse(block, 0, boot, clusters, number) : Optional.empty();
    }

    @Override
    public List<Extent> place(MftRecord record, int from, int length) {
        return Extents.slice(extents, record.number() * boot.recordBytes() + from, length);
    }

    /** Takes a record; false to stop. */
    interface Visitor {
        boolean visit(MftRecord record) throws IOException;
    }

    /** Every sound record, in order; what is not sound is told once, if {@code tell}. */
    void forEach(boolean tell, Visitor visitor) throws IOException {
        int size = boot.recordBytes();
        source.willNeed(
                extents.stream().map(e -> new Range(e.offset(), e.length())).toList());
        byte[] block = new byte[BLOCK / size * size];
        long torn = 0;
        long firstTorn = -1;
        long unread = 0;
        for (long at = 0; at + size <= content.size(); at += block.length) {
            int n = (int) Math.min(block.length, (content.size() - at) / size * size);
            RangeSet failed = RangeSet.of(content.read(at, block, 0, n).failed());
            for (int i = 0; i < n; i += size) {
                long number = (at + i) / size;
                if (!failed.isEmpty() && failed.overlaps(new Range(at + i, size))) {
                    unread++;
                    continue;
                }
                Optional<MftRecord> record = MftRecord.parse(block, i, boot, clusters, number);
                if (record.isPresent()) {
                    if (!visitor.visit(record.get())) {
                        return;
                    }
                } else if (LittleEndian.u32(block, i) == MftRecord.SIGNATURE) {
                    torn++;
                    firstTorn = firstTorn < 0 ? number : firstTorn;
                }
            }
        }
        if (tell && unread > 0) {
            problems.add(unread + " of " + records()
                    + " records of the file table were never read or lie beyond the medium's end; their "
                    + "files are missing.");
        }
        if (tell && torn > 0) {
            problems.add(torn + " records of the file table are malformed, the first is number " + firstTorn
                    + "; they were passed over.");
        }
    }
}
