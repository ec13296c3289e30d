package org.brantel.core.kind.picture;

import java.io.IOException;
import org.brantel.core.bytes.ByteView;
import org.jspecify.annotations.Nullable;

/**
 * The Huffman tables in force (ITU-T T.81, B.2.4.2 and annex C): for each table one byte of class (0 DC, 1 AC) and
 * destination (0 to 3), 16 counts of codes by length, then the values.
 */
final class JpegTables {

    /** Codes of up to so many bits are told by one look. */
    static final int QUICK = 10;
    /** Codes with what follows them that are so many bits together are told by one look. */
    static final int SEVERAL = 12;

    static final int SEVERAL_MASK = (1 << SEVERAL) - 1;
    private static final int BLOCK_IS_OVER = 64;
    /** The code of an AC table that stands for so many zeros and no other coefficient. */
    static final int SIXTEEN_ZEROS = 0xf0;

    /**
     * One table, decoded length by length (T.81, F.2.2.3). A code of a sequential scan is followed by bits whose number
     * it tells.
     */
    static final class Table {
        private static final int MOST_FOLLOWING = 16;
        private final boolean dc;
        /**
         * By the next bits: the code's length and that with the bits that follow it, and its value; 0 when the code is
         * longer.
         */
        private final int[] quickly = new int[1 << QUICK];
        /**
         * By the next bits, of the codes that are whole in them: all their bits, then the coefficients that they stand
         * for, then 64 when they end the block.
         */
        private int @Nullable [] several;

        private final int[] maxCode = new int[17];
        private final int[] valueAt = new int[17];
        private final int[] values;

        private Table(boolean dc, int[] counts, int[] values) {
            this.dc = dc;
            this.values = values;
            int code = 0;
            int at = 0;
            for (int length = 1; length <= 16; length++) {
                valueAt[length] = at - code;
                code += counts[length];
                at += counts[length];
                maxCode[length] = counts[length] == 0 ? -1 : code - 1;
                code <<= 1;
            }
            fillQuick();
        }

        int[] several() {
            if (several == null) {
                several = new int[1 << SEVERAL];
                for (int ahead = 0; ahead < several.length; ahead++) {
                    several[ahead] = several(ahead);
                }
            }
            return several;
        }

        private int several(int ahead) {
            int bits = 0;
            int coefficients = 0;
            while (true) {
                int quick = quickly[(ahead << bits & SEVERAL_MASK) >> SEVERAL - QUICK];
                int code = quick & 0xff;
                boolean known = quick != 0 && bits + (quick >> 8 & 0xff) <= SEVERAL && bits + (quick >> 16) <= SEVERAL;
                if (known && code == 0) {
                    return BLOCK_IS_OVER << 16 | coefficients << 8 | bits + (quick >> 16);
                }
                if (!known || (code & 15) == 0) {
                    return bits == 0 ? 0 : coefficients << 8 | bits;
                }
                bits += quick >> 16;
                coefficients += (code >> 4) + 1;
            }
        }

        /** The value, or -1. Where few bits are left before a marker, or the code is long. */
        private int decodeSlowly(JpegBits bits) throws IOException {
            int ahead = bits.peek();
            int quick = quickly[ahead >>> 16 - QUICK];
            if (quick != 0) {
                bits.take(quick >> 8 & 0xff);
                return quick & 0xff;
            }
            for (int length = 1; length <= 16; length++) {
                int code = ahead >>> 16 - length;
                if (code <= maxCode[length]) {
                    int index = code + valueAt[length];
                    bits.take(length);
                    return index >= 0 && index < values.length ? values[index] : -1;
                }
            }
            bits.take(16);
            return -1;
        }

        /**
         * Takes a code of a sequential scan with the bits that follow it.
         *
         * @return the value, or -1 when the bits are no code of this table
         */
        int decodeAndPass(JpegBits bits) throws IOException {
            if (bits.isAmple()) {
                int quick = quickly[bits.ample(QUICK)];
                if (quick != 0) {
                    bits.takeHeld(quick >> 16);
                    return quick & 0xff;
                }
            }
            int value = decodeSlowly(bits);
            int following = value < 0 ? 0 : following(value);
            if (following > MOST_FOLLOWING) {
                return -1;
            }
            bits.next(following);
            return value;
        }

        private int following(int value) {
            return dc ? value : value & 15;
        }

        /** Codes of up to {@link #QUICK} bits by all bits that can follow them: length and value. */
        private void fillQuick() {
            for (int ahead = 0; ahead < quickly.length; ahead++) {
                for (int length = 1; length <= QUICK; length++) {
                    int code = ahead >>> QUICK - length;
                    int index = code + valueAt[length];
                    if (code <= maxCode[length]) {
                        boolean known =
                                index >= 0 && index < values.length && following(values[index]) <= MOST_FOLLOWING;
                        quickly[ahead] =
                                known ? length + following(values[index]) << 16 | length << 8 | values[index] : 0;
                        break;
                    }
                }
            }
        }
    }

    private final Table[][] tables = new Table[2][4];

    /** @return false when a table leaves its segment or has more codes than fit their lengths */
    boolean read(ByteView content, long at, int length) throws IOException {
        long end = at + length;
        while (at < end) {
            int head = content.u8(at);
            int kind = head >> 4;
            if (kind > 1 || (head & 15) > 3 || end - at < 17) {
                return false;
            }
            int[] counts = new int[17];
            int total = 0;
            int room = 1;
            for (int i = 1; i <= 16; i++) {
                counts[i] = content.u8(at + i);
                total += counts[i];
                room = room * 2 - counts[i];
                if (room < 0) {
                    return false;
                }
            }
            if (total > 256 || total > end - at - 17) {
                return false;
            }
            int[] values = new int[total];
            for (int i = 0; i < total; i++) {
                values[i] = content.u8(at + 17 + i);
            }
            tables[kind][head & 15] = new Table(kind == 0, counts, values);
            at += 17 + total;
        }
        return true;
    }

    JpegTables copy() {
        JpegTables copy = new JpegTables();
        for (int i = 0; i < tables.length; i++) {
            copy.tables[i] = tables[i].clone();
        }
        return copy;
    }

    Table dc(int destination) {
        return tables[0][destination];
    }

    Table ac(int destination) {
        return tables[1][destination];
    }
}
