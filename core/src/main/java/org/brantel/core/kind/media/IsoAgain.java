package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.ContentKind.Walk;
import org.brantel.core.kind.Resumable;
import org.jspecify.annotations.Nullable;

/**
 * A film in two pieces. Its index says where each picture stands, and a picture's units say how long they are: the
 * first that does not add up stands behind the place where foreign bytes begin. An index behind the data is looked for;
 * by how much it is late, so much stands in between.
 */
final class IsoAgain implements Resumable {

    private static final long MOST_AHEAD = 8 << 20;
    private static final int MOST_TRIED = 8;
    private static final int SECTOR = 512;
    private static final int CLUSTER = 4096;

    private final IsoMedia kind;
    private final Laid laid;
    private final int brokenSample;
    private final long earliest;
    private final long latest;
    private final Set<Long> gaps;

    private IsoAgain(IsoMedia kind, Laid laid, long latest, Set<Long> gaps) {
        this.kind = kind;
        this.laid = laid;
        this.brokenSample = laid.broken();
        this.earliest = laid.goodUntil();
        this.latest = latest;
        this.gaps = gaps;
    }

    /**
     * Its index stands before the place where it broke.
     *
     * @return null when it has no film that could tell
     */
    static @Nullable IsoAgain indexFirst(IsoMedia kind, ByteView content, SampleTables tables) throws IOException {
        long broken = tables.laid().firstBroken(content, 0);
        return broken > 0 ? new IsoAgain(kind, tables.laid(), broken, Set.of()) : null;
    }

    /** @param end of the boxes that were there, where the index is missing */
    static @Nullable IsoAgain indexLater(IsoMedia kind, ByteView content, long end) throws IOException {
        Set<Long> gaps = new HashSet<>();
        Laid laid = null;
        long latest = 0;
        long last = Math.min(content.length() - 8, end + MOST_AHEAD);
        int tried = 0;
        for (long at = end + SECTOR; at < last && tried < MOST_TRIED; at += SECTOR) {
            if (content.u32be(at + 4) != IsoMedia.MOOV) {
                continue;
            }
            tried++;
            SampleTables tables = new SampleTables(content.without(new Range(end, at - end)));
            IsoMedia.Box index =
                    IsoMedia.box(tables.content(), end, tables.content().length());
            if (index == null) {
                continue;
            }
            tables.read(index);
            long broken = tables.laid().firstBroken(tables.content(), 0);
            if (broken > 0 && broken < end) {
                laid = tables.laid();
                latest = broken;
                gaps.add(at - end);
            }
        }
        return laid == null ? null : new IsoAgain(kind, laid, latest, gaps);
    }

    @Override
    public Set<Long> gaps() {
        return gaps;
    }

    @Override
    public Walk broken() {
        return Walk.broken(latest, IsoMedia.BROKEN_SAMPLE);
    }

    @Override
    public long earliest() {
        return earliest;
    }

    @Override
    public long latest() {
        return latest;
    }

    @Override
    public Walk resume(ByteView other, long same) throws IOException {
        // The same sample is asked first: of many places hardly one gets past it.
        long broken = laid.firstBroken(other, Math.max(0, brokenSample - 1));
        return broken >= 0 ? Walk.broken(broken, IsoMedia.BROKEN_SAMPLE) : kind.walk(other);
    }

    @Override
    public boolean couldContinue(byte[] block, int at, int length) {
        return Laid.couldContinue(block, at, length);
    }

    @Override
    public List<String> doubts() {
        long places = latest / CLUSTER - (earliest + CLUSTER - 1) / CLUSTER + 1;
        return places <= 1
                ? List.of()
                : List.of("Nothing tells at which of " + places + " places between byte " + earliest + " and byte "
                        + latest + " its pieces meet: one picture may be damaged.");
    }
}
