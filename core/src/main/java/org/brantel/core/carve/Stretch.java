package org.brantel.core.carve;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.function.LongPredicate;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.text.Prose;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/** Looks through one stretch of a medium; content that begins in it may end behind it. */
final class Stretch {

    private static final int BLOCK = 256 << 10;
    /** The farthest that a start stands from where its content begins is looked for in the sector itself. */
    private static final int AHEAD = ContentKind.LOOK_AHEAD;

    /**
     * Bytes that may be read for walks that break off before the parts of broken content are passed over as starts of
     * their own: what a container lost of its end, each of its files would be walked for again.
     */
    private static final long MOST_IN_VAIN = 64 << 20;

    private static final byte[] ZEROS = new byte[BLOCK];

    private final Source source;
    private final Metered walking;
    private final CarvePlan plan;
    private final StartTable table;
    private final @Nullable ContentKind prose;
    private final LongPredicate wanted;
    private final TwoPieces pieces;
    private final Ends ends;
    private final BooleanSupplier stop;
    private final List<Hit> hits = new ArrayList<>();
    private final byte[] block = new byte[AHEAD + BLOCK + AHEAD];
    private final List<Failed> failed = new ArrayList<>();
    private final RangeSet looked = new RangeSet();
    private long skipUntil;
    /** What was read for walks that broke off. */
    private long readInVain;
    /** How far the broken content of a kind was in order. */
    private final Map<ContentKind, Long> inOrderUntil = new HashMap<>();
    /** The end of the text that was met last: what begins in it is no other. */
    private long textUntil;

    Stretch(Source source, CarvePlan plan, StartTable table, LongPredicate wanted, BooleanSupplier stop) {
        this.source = source;
        walking = new Metered(source);
        this.plan = plan;
        this.table = table;
        this.wanted = wanted;
        this.stop = stop;
        prose = plan.kinds().stream()
                .filter(k -> k instanceof Prose)
                .findFirst()
                .orElse(null);
        pieces = new TwoPieces(source, plan.step());
        ends = new Ends(source);
    }

    List<Hit> hits() {
        return hits;
    }

    /** Starts that looked like a kind but failed its check. */
    List<Failed> failed() {
        return failed;
    }

    /** What need not be looked at again: was read, and nothing began there that goes on in what was not. */
    RangeSet looked() {
        return looked;
    }

    /** @param from where nothing that begins before is looked for again */
    void look(Range where, long from) throws IOException {
        skipUntil = from;
        for (long at = where.offset(); at < where.end() && !stop.getAsBoolean(); at += BLOCK) {
            int n = (int) Math.min(BLOCK, where.end() - at);
            looked.add(new Range(at, n));
            if (skipUntil < at + n) {
                block(at, n);
            }
            if (stop.getAsBoolean()) {
                looked.remove(new Range(at, n));
            }
        }
    }

    private void block(long at, int n) throws IOException {
        int length = (int) Math.min(n + AHEAD, source.size() - at);
        RangeSet missing = RangeSet.of(source.knownUnread(new Range(at, length)));
        missing.ranges().forEach(looked::remove);
        if (missing.total() == length) {
            return;
        }
        RangeSet unread = RangeSet.of(source.read(at, block, 0, length).failed());
        unread.ranges().forEach(looked::remove);
        Arrays.fill(block, length, block.length, (byte) 0);
        TreeMap<Long, List<ContentKind>> candidates = new TreeMap<>();
        if (plan.everyByte()) {
            table.everywhere(block, 0, n, (kind, i) -> note(candidates, kind, at, i));
        } else {
            sectors(at, n, candidates);
        }
        while (!candidates.isEmpty() && !stop.getAsBoolean()) {
            var next = candidates.pollFirstEntry();
            if (next.getKey() >= skipUntil
                    && (unread.isEmpty() || !unread.overlaps(new Range(next.getKey(), 8)))
                    && wanted.test(next.getKey())) {
                attempt(next.getKey(), next.getValue());
            }
        }
    }

    private void sectors(long at, int n, TreeMap<Long, List<ContentKind>> candidates) {
        StartTable.Candidates found = (kind, i) -> note(candidates, kind, at, i);
        int step = plan.step();
        for (int i = afterZeros(0, n); i < n; i = afterZeros(i + step, n)) {
            table.inSector(block, i, found);
            // Last, so that it is what no other kind is.
            if (prose != null && at + i >= textUntil && prose.couldStart(block, i)) {
                candidates.computeIfAbsent(at + i, s -> new ArrayList<>(2)).add(prose);
            }
        }
    }

    /** The first sector from one on that is not all zeros: nothing begins there, and most of many a medium is that. */
    private int afterZeros(int from, int n) {
        int step = plan.step();
        int zeros = from >= n || block[from] != 0 ? 0 : Arrays.mismatch(block, from, n, ZEROS, from, n);
        return zeros < 0 ? n : from + zeros / step * step;
    }

    private void note(TreeMap<Long, List<ContentKind>> candidates, ContentKind kind, long at, int i) {
        long start = at + i;
        // A start that is told by what stands far behind it lies in an earlier block.
        boolean here = i >= 0 && i < block.length - AHEAD;
        if (start >= skipUntil && start >= 0 && (!here || kind.couldStart(block, i))) {
            candidates.computeIfAbsent(start, s -> new ArrayList<>(2)).add(kind);
        }
    }

    private void attempt(long start, List<ContentKind> kinds) throws IOException {
        for (ContentKind kind : kinds) {
            if (kind == prose && start < textUntil
                    || readInVain > MOST_IN_VAIN && start < inOrderUntil.getOrDefault(kind, 0L)) {
                continue;
            }
            long read = walking.bytesRead();
            long room = Math.min(source.size() - start, kind.longest());
            ContentKind.Walk walk = walked(kind, start, room);
            if (walk == null || walk.isMendable()) {
                readInVain += walking.bytesRead() - read;
                Hit joined = pieces.join(kind, start);
                if (joined != null) {
                    hits.add(ends.checked(joined, false));
                    skipUntil = plan.nested() ? skipUntil : joined.firstEnd();
                    textUntil = 0;
                    return;
                }
            }
            if (walk == null || walk.outcome() == ContentKind.Outcome.BROKEN) {
                inOrderUntil.merge(
                        kind, start + (walk == null ? walking.bytesRead() - read : walk.length()), Math::max);
                failed.add(new Failed(
                        start,
                        walk == null || walk.code() == null ? kind.code() : walk.code(),
                        walk == null ? "its end is beyond the medium, or was not read" : walk.words()));
                continue;
            }
            Range where = new Range(start, walk.length());
            hits.add(ends.checked(
                    new Hit(kind, List.of(where), walk, List.of(), kind != prose && isInLine(start)), kind == prose));
            // What has no check of its own is looked through: other content in it speaks against it, or says where it
            // ends.
            if (walk.outcome() == ContentKind.Outcome.WHOLE && !plan.nested()) {
                skipUntil = start + walk.length();
            }
            textUntil = kind == prose ? start + walk.length() : walk.whole() ? 0 : textUntil;
            return;
        }
    }

    private boolean isInLine(long start) throws IOException {
        byte[] before = new byte[1];
        return start > 0 && source.read(start - 1, before, 0, 1).isClean() && before[0] >= ' ' && before[0] != 0x7f;
    }

    /** @return null when it is not proven: its end is beyond the medium, or in a stretch that was never read */
    private ContentKind.@Nullable Walk walked(ContentKind kind, long start, long room) throws IOException {
        try {
            return kind.walk(ByteView.of(walking, new Range(start, room)));
        } catch (ByteView.End e) {
            return null;
        } catch (ByteView.Unread e) {
            looked.remove(new Range(start / plan.step() * plan.step(), plan.step()));
            // Text says nowhere where it ends; here it does for now.
            long read = e.where().offset() - start;
            return kind == prose && read > plan.step() ? kind.walk(ByteView.of(walking, new Range(start, read))) : null;
        }
    }
}
