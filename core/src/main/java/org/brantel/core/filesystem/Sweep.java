package org.brantel.core.filesystem;

import java.io.IOException;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import org.brantel.core.bytes.LittleEndian;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.source.Source;

/**
 * One pass over stretches of a medium that lets each family look at how each sector begins. It only collects places;
 * the family decides later whether something stands there.
 */
public final class Sweep {

    private static final int BLOCK = 1 << 20;
    private static final int SECTOR = 512;

    private final Family[][] byFirstByte = new Family[256][];

    public Sweep(List<Family> families) {
        for (int first = 0; first < byFirstByte.length; first++) {
            int of = first;
            byFirstByte[first] = families.stream().filter(f -> f.couldBegin(of)).toArray(Family[]::new);
        }
    }

    /**
     * @param ranges   ascending, apart
     * @param progress hears of the bytes done so far
     */
    public Signs over(Source source, List<Range> ranges, LongConsumer progress, BooleanSupplier stop)
            throws IOException {
        Signs signs = new Signs();
        byte[] block = new byte[BLOCK];
        long done = 0;
        for (Range range : ranges) {
            long first = (range.offset() + SECTOR - 1) / SECTOR * SECTOR;
            for (long at = first; at + SECTOR <= range.end() && !stop.getAsBoolean(); at += BLOCK) {
                int n = (int) Math.min(BLOCK, (range.end() - at) / SECTOR * SECTOR);
                RangeSet unread = RangeSet.of(source.knownUnread(new Range(at, n)));
                RangeSet failed = unread.total() == n
                        ? unread
                        : RangeSet.of(source.read(at, block, 0, n).failed());
                for (int i = 0; i < n; i += SECTOR) {
                    if (failed.isEmpty() || !failed.overlaps(new Range(at + i, SECTOR))) {
                        look(block, i, at + i, signs);
                    }
                }
                progress.accept(done + at + n - first);
            }
            done += range.length();
        }
        return signs;
    }

    private void look(byte[] b, int i, long at, Signs signs) {
        if (LittleEndian.u32(b, i) == 0) {
            return;
        }
        for (Family family : byFirstByte[b[i] & 0xff]) {
            family.sign(b, i, at, signs);
        }
    }
}
