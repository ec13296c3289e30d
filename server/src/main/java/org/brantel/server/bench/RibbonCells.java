package org.brantel.server.bench;

import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.ReadMap;

/**
 * Sums a map up in equal stretches for the read ribbon: {@code .} unasked, {@code 1} to {@code 9} tenths read,
 * {@code r} read, {@code d} deferred, {@code f} with failed sectors.
 */
final class RibbonCells {

    static final int CELLS = 600;

    private RibbonCells() {}

    static String of(ReadMap map) {
        return of(map, new Range(0, map.size()), CELLS);
    }

    static String of(ReadMap map, Range stretch, int cells) {
        int count = (int) Math.max(1, Math.min(cells, stretch.length()));
        long[][] bytes = new long[count][BlockState.values().length];
        List<ReadMap.Run> runs = map.runs(stretch);
        for (ReadMap.Run run : runs) {
            long from = run.range().offset() - stretch.offset();
            long to = run.range().end() - stretch.offset();
            for (int c = cellOf(from, stretch.length(), count);
                    c < count && start(c, stretch.length(), count) < to;
                    c++) {
                long cellStart = start(c, stretch.length(), count);
                long cellEnd = start(c + 1, stretch.length(), count);
                bytes[c][run.state().ordinal()] += Math.max(0, Math.min(to, cellEnd) - Math.max(from, cellStart));
            }
        }
        StringBuilder text = new StringBuilder(count);
        for (int c = 0; c < count; c++) {
            text.append(symbol(bytes[c], start(c + 1, stretch.length(), count) - start(c, stretch.length(), count)));
        }
        return text.toString();
    }

    static int cellOf(long offset, long size, int cells) {
        return (int) Math.min(cells - 1, (long) ((double) offset / size * cells));
    }

    private static long start(int cell, long size, int cells) {
        return (long) ((double) size / cells * cell);
    }

    private static char symbol(long[] bytes, long all) {
        if (bytes[BlockState.FAILED.ordinal()] > 0) {
            return 'f';
        }
        if (bytes[BlockState.DEFERRED.ordinal()] > 0) {
            return 'd';
        }
        long read = bytes[BlockState.READ.ordinal()];
        if (read >= all) {
            return 'r';
        }
        return read == 0 ? '.' : (char) ('0' + Math.max(1, Math.min(9, read * 10 / Math.max(1, all))));
    }
}
