package org.brantel.core.carve;

import java.io.IOException;
import java.util.List;
import java.util.function.BooleanSupplier;
import org.brantel.core.source.ByteView;
import org.brantel.core.source.Range;
import org.brantel.core.source.Source;

/**
 * Looks for content on a stretch of a source, at sector starts, in one pass for all kinds. A hit that fails its
 * kind's check is counted, not reported. What lies inside a find is not looked at again.
 */
public final class Carver {

    private static final int BLOCK = 1 << 20;
    private static final int LOOK_AHEAD = 16;

    /** Told about finds and progress. */
    public interface Listener {
        void found(ContentKind kind, Range where, ContentKind.Walk walk);

        void progressed(long bytes);

        /** Whether a start is worth walking; false for content that lies within a known file. */
        boolean isWanted(long offset);
    }

    private final Source source;
    private final List<ContentKind> kinds;
    private final int step;
    private long rejected;

    /** @param kinds what to look for */
    public Carver(Source source, List<ContentKind> kinds) {
        this.source = source;
        this.kinds = kinds;
        this.step = Math.min(source.sectorSize(), 512);
    }

    /** Starts that looked like a kind but failed its check. */
    public long rejected() {
        return rejected;
    }

    public void run(Range scope, Listener listener, BooleanSupplier stop) throws IOException {
        byte[] block = new byte[BLOCK + LOOK_AHEAD];
        long skipUntil = scope.offset();
        for (long at = scope.offset(); at < scope.end() && !stop.getAsBoolean(); at += BLOCK) {
            if (skipUntil >= at + BLOCK) {
                listener.progressed(at + BLOCK - scope.offset());
                continue;
            }
            int length = (int) Math.min(block.length, source.size() - at);
            List<Range> failed = source.read(at, block, 0, length).failed();
            java.util.Arrays.fill(block, length, block.length, (byte) 0);
            long end = Math.min(at + BLOCK, scope.end());
            for (long start = Math.max(at, align(skipUntil, scope)); start < end; start += step) {
                ContentKind kind = kindAt(block, (int) (start - at));
                if (kind != null && !touches(failed, start) && listener.isWanted(start)) {
                    long found = walk(kind, start, listener);
                    if (found > 0) {
                        skipUntil = start + found;
                        start = align(skipUntil, scope) - step;
                    }
                }
            }
            listener.progressed(Math.min(end, scope.end()) - scope.offset());
        }
    }

    private long align(long position, Range scope) {
        long past = position - scope.offset();
        return scope.offset() + (past + step - 1) / step * step;
    }

    private ContentKind kindAt(byte[] block, int at) {
        // Most sectors start with zeros or with nothing's first byte.
        if (block[at] == 0) {
            return null;
        }
        for (ContentKind kind : kinds) {
            if (kind.startsAt(block, at)) {
                return kind;
            }
        }
        return null;
    }

    private static boolean touches(List<Range> failed, long start) {
        return failed.stream().anyMatch(f -> f.overlaps(new Range(start, 8)));
    }

    private long walk(ContentKind kind, long start, Listener listener) throws IOException {
        long room = Math.min(source.size() - start, kind.longest());
        try {
            ContentKind.Walk walk = kind.walk(ByteView.of(source, new Range(start, room)));
            if (walk.whole()) {
                listener.found(kind, new Range(start, walk.length()), walk);
                return walk.length();
            }
        } catch (ByteView.End | ByteView.Unread e) {
            // Not proven: its end is beyond the medium, or in a stretch that was never read.
        }
        rejected++;
        return 0;
    }
}
