package org.brantel.core.filesystem;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Times;
import org.brantel.core.testing.Collected;
import org.brantel.core.testing.FaultySource;

/** A medium of a few clusters, filled and judged by a test: each cluster holds noise until a file is put there. */
final class SmallVolume {

    static final int CLUSTER = 512;
    /** Clusters are numbered from 2, and the first begins after some sectors, as in many a volume. */
    static final long FIRST_BYTE = 4 * CLUSTER;

    static final Instant MONDAY = Instant.parse("2026-11-23T09:00:00Z");
    static final Instant TUESDAY = Instant.parse("2026-11-24T09:00:00Z");

    final byte[] medium;
    final Space space;
    final Collected told = new Collected();
    private final List<Range> dead = new ArrayList<>();
    private final RangeSet taken = new RangeSet();
    private boolean checkLive;

    SmallVolume(int clusters) {
        medium = new byte[(int) FIRST_BYTE + clusters * CLUSTER];
        new Random(clusters).nextBytes(medium);
        space = new Space(FIRST_BYTE, CLUSTER, 2, clusters);
    }

    /** Writes a file's content over clusters, one after the other. */
    SmallVolume put(byte[] content, long... clusters) {
        for (int i = 0; i * CLUSTER < content.length; i++) {
            int n = Math.min(CLUSTER, content.length - i * CLUSTER);
            System.arraycopy(content, i * CLUSTER, medium, (int) space.offset(clusters[i]), n);
        }
        return this;
    }

    SmallVolume unread(long cluster) {
        dead.add(space.cluster(cluster));
        return this;
    }

    SmallVolume madeOver(long cluster) {
        taken.add(space.cluster(cluster));
        return this;
    }

    SmallVolume checkingLive() {
        checkLive = true;
        return this;
    }

    Judge judge(boolean dated) {
        Walk walk = new Walk(0, checkLive, taken, told, () -> false);
        return new Judge(new FaultySource(medium, dead.toArray(Range[]::new)), space, walk, dated);
    }

    List<Extent> extents(long... clusters) {
        Extents extents = new Extents();
        for (long c : clusters) {
            extents.add(space.offset(c), CLUSTER);
        }
        return extents.list();
    }

    /** Cut to a file's size, as the readers do it. */
    Placement at(long size, long... clusters) {
        return new Placement.Known(Extents.cut(extents(clusters), size));
    }

    static FileRecord file(String name, long size, Placement placement) {
        return file(name, size, placement, MONDAY);
    }

    static FileRecord file(String name, long size, Placement placement, Instant written, Fault... faults) {
        return new FileRecord(
                Named.of("/" + name, name),
                true,
                size,
                placement,
                null,
                new Times(null, written, null),
                List.of(faults),
                RecordFacts.NONE);
    }

    /** What was told of a file. */
    Finding finding(String name) {
        return told.findings().stream()
                .filter(f -> f.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new AssertionError("nothing was told of " + name));
    }
}
