package org.brantel.core.carve.picture;

import java.io.IOException;
import org.brantel.core.source.ByteView;

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
    record Ending(long at, String broken) { }

    private static final int SIXTEEN_ZEROS = 0xf0;
    private static final String NO_CODE = "picture data is not a code of its table";

    private final JpegFrame frame;
    private final JpegFrame.Component[] components;
    private final int[] dcTable;
    private final int[] acTable;
    private final int first;
    private final int last;
    private final boolean refining;
    private int endOfBandRun;

    private JpegScan(JpegFrame frame, int count, int first, int last, boolean refining) {
        this.frame = frame;
        this.components = new JpegFrame.Component[count];
        this.dcTable = new int[count];
        this.acTable = new int[count];
        this.first = first;
        this.last = last;
        this.refining = refining;
    }

    /** @return null when a field is out of its bounds */
    static JpegScan read(ByteView content, long at, int length, JpegFrame frame) throws IOException {
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
    Ending goOn(ByteView content, Place from, JpegTables tables, int restartInterval, java.util.function.Predicate<Place> keep) throws IOException {
        JpegBits bits = new JpegBits(content, from.at());
        boolean single = components.length == 1;
        int perLine = single ? components[0].blocksPerLine : frame.unitsPerLine();
        long units = (long) perLine * (single ? components[0].blockLines : frame.unitLines());
        int line = (int) (from.unit() / perLine);
        int column = (int) (from.unit() % perLine);
        endOfBandRun = 0;
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
                if (!(single ? block(bits, tables, 0, line, column) : unit(bits, tables, line, column))) {
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

    private boolean unit(JpegBits bits, JpegTables tables, int line, int column) throws IOException {
        for (int i = 0; i < components.length; i++) {
            JpegFrame.Component c = components[i];
            for (int v = 0; v < c.vertical; v++) {
                for (int h = 0; h < c.horizontal; h++) {
                    if (!block(bits, tables, i, line * c.vertical + v, column * c.horizontal + h)) {
                        return false;
                    }
                }
            }
        }
        return true;
    }

    private boolean block(JpegBits bits, JpegTables tables, int i, int line, int column) throws IOException {
        if (!frame.isProgressive()) {
            return dc(bits, tables.dc(dcTable[i])) && ac(bits, tables.ac(acTable[i]));
        }
        JpegFrame.Component c = components[i];
        int index = line * c.paddedPerLine + column;
        if (first == 0) {
            if (refining) {
                bits.next();
                return true;
            }
            return dc(bits, tables.dc(dcTable[i]));
        }
        JpegTables.Table table = tables.ac(acTable[i]);
        return refining ? refine(bits, table, c.nonZero, index) : ac(bits, table, c.nonZero, index, first, last);
    }

    private static boolean dc(JpegBits bits, JpegTables.Table table) throws IOException {
        return table != null && table.decodeAndPass(bits) >= 0;
    }

    /** All AC coefficients of a block of a sequential frame. */
    private static boolean ac(JpegBits bits, JpegTables.Table table) throws IOException {
        if (table == null) {
            return false;
        }
        for (int k = 1; k <= 63; k++) {
            int code = table.decodeAndPass(bits);
            if ((code & 15) == 0) {
                if (code != SIXTEEN_ZEROS) {
                    return code == 0;
                }
                k += 15;
                continue;
            }
            k += code >> 4;
            if (code < 0 || k > 63) {
                return false;
            }
        }
        return true;
    }

    /** AC coefficients of a progressive frame for the first time. */
    private boolean ac(JpegBits bits, JpegTables.Table table, long[] nonZero, int index, int from, int to)
            throws IOException {
        if (endOfBandRun > 0) {
            endOfBandRun--;
            return true;
        }
        if (table == null) {
            return false;
        }
        for (int k = from; k <= to; k++) {
            int code = table.decode(bits);
            if (code < 0) {
                return false;
            }
            int run = code >> 4;
            int size = code & 15;
            if (size == 0) {
                if (run == 15) {
                    k += 15;
                    continue;
                }
                endOfBandRun = (1 << run) - 1 + bits.next(run);
                return true;
            }
            k += run;
            if (k > to) {
                return false;
            }
            bits.next(size);
            nonZero[index] |= 1L << k;
        }
        return true;
    }

    /** One more bit for coefficients that are not zero, and new ones between them (T.81, figure G.7). */
    private boolean refine(JpegBits bits, JpegTables.Table table, long[] nonZero, int index) throws IOException {
        int k = first;
        if (endOfBandRun == 0) {
            if (table == null) {
                return false;
            }
            for (; k <= last; k++) {
                int code = table.decode(bits);
                if (code < 0) {
                    return false;
                }
                int run = code >> 4;
                int size = code & 15;
                if (size > 1) {
                    return false;
                }
                if (size == 1) {
                    bits.next();
                } else if (run < 15) {
                    endOfBandRun = (1 << run) + bits.next(run);
                    break;
                }
                for (; k <= last; k++) {
                    if ((nonZero[index] >>> k & 1) != 0) {
                        bits.next();
                    } else if (run-- == 0) {
                        break;
                    }
                }
                if (size == 1) {
                    if (k > last) {
                        return false;
                    }
                    nonZero[index] |= 1L << k;
                }
            }
        }
        if (endOfBandRun > 0) {
            for (; k <= last; k++) {
                if ((nonZero[index] >>> k & 1) != 0) {
                    bits.next();
                }
            }
            endOfBandRun--;
        }
        return true;
    }
}
