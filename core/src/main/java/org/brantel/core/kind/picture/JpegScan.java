package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.Arrays;
import org.brantel.core.bytes.ByteView;
import org.jspecify.annotations.Nullable;

/**
 * A scan: its header (ITU-T T.81, B.2.3) and the walk through its entropy-coded data (F.2 sequential, G.2 progressive).
 *
 * <pre>
 * offset size field
 *      0    1  number of components (1 to 4), then for each: +0 1 identifier, +1 1 tables (DC high nibble, AC low)
 *   then    1  first coefficient, 1 last coefficient, 1 successive approximation (high nibble before, low now)
 * </pre>
 */
final class JpegScan {

    /** Where a scan ended; {@code broken} is null when it ended in order. */
    record Ending(long at, @Nullable String broken) {}

    private static final String NO_CODE = "picture data is not a code of its table";

    private final JpegFrame frame;
    private final JpegFrame.Component[] components;
    private final int[] dcTable;
    private final int[] acTable;
    private final int first;
    private final int last;
    private final boolean refining;
    private final boolean progressive;
    /** The tables in force where it is walked through, by component; null where there is none. */
    private @Nullable JpegTables.Table[] dcTables = {};

    private @Nullable JpegTables.Table[] acTables = {};
    private int endOfBandRun;

    private JpegScan(JpegFrame frame, int count, int first, int last, boolean refining) {
        this.frame = frame;
        this.components = new JpegFrame.Component[count];
        this.dcTable = new int[count];
        this.acTable = new int[count];
        this.first = first;
        this.last = last;
        this.refining = refining;
        progressive = frame.isProgressive();
    }

    /** @return null when a field is out of its bounds */
    static @Nullable JpegScan read(ByteView content, long at, int length, JpegFrame frame) throws IOException {
        int count = length < 1 ? 0 : content.u8(at);
        if (count < 1 || count > 4 || length != 4 + count * 2) {
            return null;
        }
        long tail = at + 1 + count * 2L;
        int first = content.u8(tail);
        int last = content.u8(tail + 1);
        if (first > last || last > 63 || frame.isProgressive() && first > 0 && count > 1) {
            return null;
        }
        JpegScan scan = new JpegScan(frame, count, first, last, content.u8(tail + 2) >> 4 != 0);
        for (int i = 0; i < count; i++) {
            scan.components[i] = frame.component(content.u8(at + 1 + i * 2L));
            int tables = content.u8(at + 2 + i * 2L);
            scan.dcTable[i] = tables >> 4;
            scan.acTable[i] = tables & 15;
            if (scan.components[i] == null || scan.dcTable[i] > 3 || scan.acTable[i] > 3) {
                return null;
            }
        }
        return scan;
    }

    /** Goes over entropy-coded data without reading it, to the next marker that is not a restart. */
    static Ending skip(ByteView content, long at) throws IOException {
        while (true) {
            if (content.u8(at) == 0xff) {
                int code = content.u8(at + 1);
                if (code != 0 && code != 0xff && (code < 0xd0 || code > 0xd7)) {
                    return new Ending(at, null);
                }
            }
            at++;
        }
    }

    /**
     * Where it can be taken up: before a unit of blocks.
     *
     * @param at   of the byte that holds the next bit
     * @param bits of it that were taken
     */
    record Place(JpegScan scan, long unit, long at, int bits) {
        static Place atStart(JpegScan scan, long data) {
            return new Place(scan, 0, data, 0);
        }
    }

    /** @param keep hears of places on the way, and says whether to go on; null when nobody wants them */
    Ending goOn(
            ByteView content,
            Place from,
            JpegTables tables,
            int restartInterval,
            java.util.function.@Nullable Predicate<Place> keep)
            throws IOException {
        JpegBits bits = new JpegBits(content, from.at());
        boolean single = components.length == 1;
        int perLine = single ? components[0].blocksPerLine : frame.unitsPerLine();
        long units = (long) perLine * (single ? components[0].blockLines : frame.unitLines());
        int line = (int) (from.unit() / perLine);
        int column = (int) (from.unit() % perLine);
        endOfBandRun = 0;
        dcTables = Arrays.stream(dcTable).mapToObj(tables::dc).toArray(JpegTables.Table[]::new);
        acTables = Arrays.stream(acTable).mapToObj(tables::ac).toArray(JpegTables.Table[]::new);
        try {
            bits.take(from.bits());
            for (long unit = from.unit(); unit < units; unit++) {
                if (restartInterval > 0 && unit > from.unit() && unit % restartInterval == 0) {
                    long here = bits.align();
                    int expected = (int) (0xd0 + (unit / restartInterval - 1) % 8);
                    if (content.u16be(here) != 0xff00 + expected) {
                        return new Ending(here, "a restart mark is missing");
                    }
                    bits.goOn(here + 2);
                    endOfBandRun = 0;
                }
                if (keep != null && !keep.test(new Place(this, unit, bits.byteAt(), bits.bitsTaken()))) {
                    return new Ending(bits.align(), "a stretch of zeros stands in the picture's data");
                }
                if (!(single ? block(bits, 0, line, column) : unit(bits, line, column))) {
                    return new Ending(bits.align(), NO_CODE);
                }
                if (++column == perLine) {
                    column = 0;
                    line++;
                }
            }
        } catch (JpegBits.MarkerReached e) {
            return new Ending(bits.align(), e.getMessage());
        }
        return afterLast(content, bits.align());
    }

    /** Some writers leave fill bytes or a stray zero before the marker. */
    private static Ending afterLast(ByteView content, long at) throws IOException {
        for (int slack = 0; slack < 4 && content.u8(at) != 0xff; slack++) {
            at++;
        }
        if (content.u8(at) != 0xff || content.u8(at + 1) == 0) {
            return new Ending(at, "picture data goes on after the last block");
        }
        return new Ending(at, null);
    }

    private boolean unit(JpegBits bits, int line, int column) throws IOException {
        for (int i = 0; i < components.length; i++) {
            JpegFrame.Component c = components[i];
            for (int v = 0; v < c.vertical; v++) {
                for (int h = 0; h < c.horizontal; h++) {
                    if (!block(bits, i, line * c.vertical + v, column * c.horizontal + h)) {
                        return false;
                    }
                }
            }
        }
        return true;
    }

    private boolean block(JpegBits bits, int i, int line, int column) throws IOException {
        return progressive ? band(bits, i, line, column) : dc(bits, dcTables[i]) && ac(bits, acTables[i]);
    }

    /** A block's part in a progressive frame's scan. */
    private boolean band(JpegBits bits, int i, int line, int column) throws IOException {
        if (first == 0) {
            if (refining) {
                bits.pass(1);
                return true;
            }
            return dc(bits, dcTables[i]);
        }
        if (!refining && endOfBandRun > 0) {
            endOfBandRun--;
            return true;
        }
        JpegFrame.Component c = components[i];
        int index = line * c.paddedPerLine + column;
        return refining ? refine(bits, acTables[i], c.nonZero, index) : ac(bits, acTables[i], c.nonZero, index);
    }

    private static boolean dc(JpegBits bits, JpegTables.@Nullable Table table) throws IOException {
        return table != null && table.decodeAndPass(bits) >= 0;
    }

    /** All AC coefficients of a block of a sequential frame. */
    private static boolean ac(JpegBits bits, JpegTables.@Nullable Table table) throws IOException {
        if (table == null) {
            return false;
        }
        for (int k = bits.passCoefficients(table, 1); k <= 63; k = bits.passCoefficients(table, k)) {
            int code = table.decodeAndPass(bits);
            if (code <= 0) {
                return code == 0;
            }
            boolean zeros = code == JpegTables.SIXTEEN_ZEROS;
            k += (code >> 4) + 1;
            if (!zeros && ((code & 15) == 0 || k > 64)) {
                return false;
            }
        }
        return true;
    }

    /** AC coefficients of a progressive frame for the first time. */
    private boolean ac(JpegBits bits, JpegTables.@Nullable Table table, long[] nonZero, int index) throws IOException {
        if (table == null) {
            return false;
        }
        long found = nonZero[index];
        for (int k = first; k <= last; k++) {
            int code = table.decodeAndPass(bits);
            if (code < 0) {
                return false;
            }
            int run = code >> 4;
            if ((code & 15) != 0) {
                k += run;
                if (k > last) {
                    return false;
                }
                found |= 1L << k;
            } else if (run == 15) {
                k += 15;
            } else {
                endOfBandRun = (1 << run) - 1 + bits.next(run);
                break;
            }
        }
        nonZero[index] = found;
        return true;
    }

    /** One more bit for coefficients that are not zero, and new ones between them (T.81, figure G.7). */
    private boolean refine(JpegBits bits, JpegTables.@Nullable Table table, long[] nonZero, int index)
            throws IOException {
        long known = nonZero[index];
        long found = known;
        long band = -1L << first & -1L >>> 63 - last;
        while (endOfBandRun == 0 && band != 0) {
            int code = table == null ? -1 : table.decodeAndPass(bits);
            int run = code >> 4;
            if (code < 0 || (code & 15) > 1) {
                return false;
            }
            if ((code & 15) == 0 && run < 15) {
                endOfBandRun = (1 << run) + bits.next(run);
                break;
            }
            // It stands behind so many that are zero and stay so; those between that are not have their bit.
            long zeros = band & ~known;
            for (; run > 0; run--) {
                zeros &= zeros - 1;
            }
            long here = Long.lowestOneBit(zeros);
            long before = here == 0 ? band : band & here - 1;
            bits.pass(Long.bitCount(before & known));
            if ((code & 15) == 1) {
                if (here == 0) {
                    return false;
                }
                found |= here;
            }
            band &= ~before & ~here;
        }
        if (endOfBandRun > 0) {
            bits.pass(Long.bitCount(band & known));
            endOfBandRun--;
        }
        nonZero[index] = found;
        return true;
    }
}
