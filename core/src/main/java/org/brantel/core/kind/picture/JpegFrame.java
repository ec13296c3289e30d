package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.Arrays;
import org.brantel.core.bytes.ByteView;
import org.jspecify.annotations.Nullable;

/**
 * A frame header (ITU-T T.81, B.2.2), big-endian.
 *
 * <pre>
 * offset size field
 *      0    1  bits per sample
 *      1    2  lines (0: given later by DNL)
 *      3    2  samples per line
 *      5    1  number of components, then for each:
 *             +0 1 identifier, +1 1 sampling factors (horizontal high nibble, vertical low; 1 to 4), +2 1 table
 * </pre>
 */
final class JpegFrame {

    private static final int PROGRESSIVE = 0xc2;
    private static final long MAX_BLOCKS = 16L << 20;
    private static final long MAX_KEPT = 2L << 20;

    /** A component, with one word for each block: which coefficients are not zero yet (progressive scans need it). */
    static final class Component {
        final int id;
        final int horizontal;
        final int vertical;
        int blocksPerLine;
        int blockLines;
        /** Including the padding to whole interleaved units. */
        int paddedPerLine;

        int paddedLines;
        long[] nonZero = {};

        Component(int id, int horizontal, int vertical) {
            this.id = id;
            this.horizontal = horizontal;
            this.vertical = vertical;
        }
    }

    private final int code;
    private final int lines;
    private final int columns;
    private final Component[] components;
    private int unitsPerLine;
    private int unitLines;

    private JpegFrame(int code, int lines, int columns, Component[] components) {
        this.code = code;
        this.lines = lines;
        this.columns = columns;
        this.components = components;
    }

    /** @return null when a field is out of its bounds */
    static @Nullable JpegFrame read(ByteView content, long at, int length, int code) throws IOException {
        if (length < 6) {
            return null;
        }
        int count = content.u8(at + 5);
        int columns = content.u16be(at + 3);
        if (columns == 0 || count == 0 || count > 4 || length != 6 + count * 3) {
            return null;
        }
        Component[] components = new Component[count];
        for (int i = 0; i < count; i++) {
            int sampling = content.u8(at + 7 + i * 3L);
            int h = sampling >> 4;
            int v = sampling & 15;
            if (h < 1 || h > 4 || v < 1 || v > 4) {
                return null;
            }
            components[i] = new Component(content.u8(at + 6 + i * 3L), h, v);
        }
        JpegFrame frame = new JpegFrame(code, content.u16be(at + 1), columns, components);
        return frame.layOut() ? frame : null;
    }

    /**
     * Block counts (T.81, A.1.1 and A.2).
     *
     * @return false when there would be more blocks than memory should hold
     */
    private boolean layOut() {
        int hMax = 1;
        int vMax = 1;
        for (Component c : components) {
            hMax = Math.max(hMax, c.horizontal);
            vMax = Math.max(vMax, c.vertical);
        }
        unitsPerLine = up(columns, 8 * hMax);
        unitLines = up(lines, 8 * vMax);
        long blocks = 0;
        for (Component c : components) {
            c.blocksPerLine = up(up(columns * c.horizontal, hMax), 8);
            c.blockLines = up(up(lines * c.vertical, vMax), 8);
            c.paddedPerLine = unitsPerLine * c.horizontal;
            c.paddedLines = unitLines * c.vertical;
            blocks += (long) c.paddedPerLine * c.paddedLines;
        }
        if (blocks > MAX_BLOCKS) {
            return false;
        }
        if (isProgressive()) {
            for (Component c : components) {
                c.nonZero = new long[c.paddedPerLine * c.paddedLines];
            }
        }
        return true;
    }

    private static int up(int value, int unit) {
        return (value + unit - 1) / unit;
    }

    /** What is known of the blocks so far, to come back to; null when that is too much to keep. */
    long @Nullable [][] blocks() {
        long sum = 0;
        for (Component c : components) {
            sum += c.nonZero.length;
        }
        return sum > MAX_KEPT
                ? null
                : Arrays.stream(components).map(c -> c.nonZero.clone()).toArray(long[][]::new);
    }

    void comeBackTo(long[][] blocks) {
        for (int i = 0; i < components.length; i++) {
            System.arraycopy(blocks[i], 0, components[i].nonZero, 0, blocks[i].length);
        }
    }

    @Nullable
    Component component(int id) {
        for (Component c : components) {
            if (c.id == id) {
                return c;
            }
        }
        return null;
    }

    boolean isProgressive() {
        return code == PROGRESSIVE;
    }

    /** Sequential or progressive DCT with Huffman codes: C0, C1, C2. */
    boolean isHuffman() {
        return code <= PROGRESSIVE;
    }

    int lines() {
        return lines;
    }

    int columns() {
        return columns;
    }

    int unitsPerLine() {
        return unitsPerLine;
    }

    int unitLines() {
        return unitLines;
    }
}
