package org.brantel.core.kind.picture;

import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;

/**
 * Writes pictures of random codes, by random tables: nobody could look at them, but each is one by the letter of T.81.
 */
final class JpegCoder {

    private static final int SEQUENTIAL = 0xc0;
    private static final int PROGRESSIVE = 0xc2;
    private static final int LONGEST_RUN = 5;
    private static final int END_OF_BLOCK = 0;
    private static final int SIXTEEN_ZEROS = 0xf0;

    /** A Huffman table (T.81, annex C): symbols in the order of their codes. */
    private static final class Table {
        private final int[] counts = new int[17];
        private final List<Integer> symbols;
        private final int[] code = new int[256];
        private final int[] length = new int[256];

        Table(Random random, List<Integer> wanted) {
            // Lengths that leave room for all: the shortest that could hold them, and longer ones.
            int least = 32 - Integer.numberOfLeadingZeros(wanted.size());
            for (int symbol : wanted) {
                length[symbol] = Math.min(16, least + (random.nextInt(3) == 0 ? random.nextInt(17 - least) : 0));
            }
            symbols = wanted.stream()
                    .sorted((a, b) -> Integer.compare(length[a], length[b]))
                    .toList();
            int next = 0;
            int bits = 0;
            for (int symbol : symbols) {
                next <<= length[symbol] - bits;
                bits = length[symbol];
                code[symbol] = next++;
                counts[bits]++;
            }
        }

        void write(ByteArrayOutputStream out, int head) {
            out.write(head);
            for (int i = 1; i <= 16; i++) {
                out.write(counts[i]);
            }
            symbols.forEach(out::write);
        }
    }

    private final Random random;
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final Table dc;
    private final Table ac;
    private final List<Integer> coefficients = new ArrayList<>();
    private int held;
    private int count;

    JpegCoder(Random random) {
        this.random = random;
        List<Integer> ac = new ArrayList<>(List.of(END_OF_BLOCK, SIXTEEN_ZEROS));
        for (int symbol = 1; symbol < 256; symbol++) {
            if ((symbol & 15) >= 1 && (symbol & 15) <= 10 && random.nextInt(4) == 0) {
                ac.add(symbol);
                coefficients.add(symbol);
            }
        }
        for (int run = 0; run < 16; run++) {
            // Ends of bands, and single new coefficients.
            if (run > 0 && run < LONGEST_RUN) {
                ac.add(run << 4);
            }
            if (!ac.contains(run << 4 | 1)) {
                ac.add(run << 4 | 1);
            }
        }
        this.dc = new Table(random, List.of(0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11));
        this.ac = new Table(random, ac);
    }

    /** @param beyond writes one coefficient behind the end of a block */
    byte[] sequential(int width, int height, boolean colour, int restart, boolean beyond) {
        head(width, height, colour, restart);
        int blocksInUnit = colour ? 6 : 1;
        int edge = colour ? 16 : 8;
        int units = (width + edge - 1) / edge * ((height + edge - 1) / edge);
        int bad = beyond ? random.nextInt(units * blocksInUnit) : -1;
        for (int unit = 0; unit < units; unit++) {
            if (restart > 0 && unit > 0 && unit % restart == 0) {
                mark(0xd0 + (unit / restart - 1) % 8);
            }
            for (int block = 0; block < blocksInUnit; block++) {
                coded(dc, random.nextInt(12));
                block(unit * blocksInUnit + block == bad);
            }
        }
        mark(0xd9);
        return out.toByteArray();
    }

    /** In four scans: all but the last bit of the coefficients, then that (T.81, G.1.2). One component. */
    byte[] progressive(int width, int height) {
        int blocks = (width + 7) / 8 * ((height + 7) / 8);
        long[] nonZero = new long[blocks];
        out.writeBytes(new byte[] {(byte) 0xff, (byte) 0xd8});
        tables();
        frame(PROGRESSIVE, width, height, false);
        scan(0, 0, 0x01);
        for (int block = 0; block < blocks; block++) {
            coded(dc, random.nextInt(12));
        }
        scan(1, 63, 0x01);
        for (int block = 0, left = 0; block < blocks; block++) {
            left = left > 0 ? left - 1 : first(nonZero, block);
        }
        scan(0, 0, 0x10);
        for (int block = 0; block < blocks; block++) {
            bits(random.nextInt(2), 1);
        }
        scan(1, 63, 0x10);
        for (int block = 0, left = 0; block < blocks; block++) {
            left = refined(nonZero, block, left);
        }
        mark(0xd9);
        return out.toByteArray();
    }

    /** @return how many blocks behind this one have nothing in this scan */
    private int first(long[] nonZero, int block) {
        int k = 1;
        while (k <= 63) {
            int symbol = coefficients.get(random.nextInt(coefficients.size()));
            if (random.nextInt(4) == 0) {
                return endOfBand(nonZero.length - block);
            } else if (k + 16 <= 63 && random.nextInt(8) == 0) {
                coded(ac, SIXTEEN_ZEROS);
                k += 16;
            } else if (k + (symbol >> 4) <= 63) {
                coded(ac, symbol);
                k += symbol >> 4;
                nonZero[block] |= 1L << k++;
            }
        }
        return 0;
    }

    /** Says that this block and some that follow have nothing more. */
    private int endOfBand(int blocks) {
        int power = Math.min(random.nextInt(LONGEST_RUN), 31 - Integer.numberOfLeadingZeros(blocks));
        int more = random.nextInt(Math.min(1 << power, blocks - (1 << power) + 1));
        coded(ac, power << 4);
        bits(more, power);
        return (1 << power) + more - 1;
    }

    /**
     * @param left blocks from this one on that have nothing new.
     * @return the same for the next one
     */
    private int refined(long[] nonZero, int block, int left) {
        long known = nonZero[block];
        int k = 1;
        while (k <= 63 && left == 0) {
            int run = random.nextInt(8) == 0 ? 15 : random.nextInt(6);
            boolean found = run < 15 || random.nextBoolean();
            int there = k;
            for (int zeros = 0; there <= 63; there++) {
                if ((known >>> there & 1) == 0 && zeros++ == run) {
                    break;
                }
            }
            if (there > 63 || random.nextInt(5) == 0) {
                left = endOfBand(nonZero.length - block) + 1;
                break;
            }
            coded(ac, run << 4 | (found ? 1 : 0));
            corrections(known, k, there - 1);
            nonZero[block] |= found ? 1L << there : 0;
            k = there + 1;
        }
        if (left > 0) {
            corrections(known, k, 63);
            return left - 1;
        }
        return 0;
    }

    private void corrections(long known, int from, int to) {
        for (int k = from; k <= to; k++) {
            if ((known >>> k & 1) != 0) {
                bits(random.nextInt(2), 1);
            }
        }
    }

    private void block(boolean beyond) {
        int k = 1;
        while (k <= 63) {
            int symbol = coefficients.get(random.nextInt(coefficients.size()));
            int there = k + (symbol >> 4);
            // A block that is to break must not come out even before.
            if (there > 63 || there == 63 && beyond ? beyond && there > 63 : random.nextInt(5) > 0) {
                coded(ac, symbol);
                k = there + 1;
            } else if (!beyond && k + 16 <= 63 && random.nextInt(6) == 0) {
                coded(ac, SIXTEEN_ZEROS);
                k += 16;
            } else if (!beyond) {
                coded(ac, END_OF_BLOCK);
                return;
            }
        }
    }

    private void head(int width, int height, boolean colour, int restart) {
        out.writeBytes(new byte[] {(byte) 0xff, (byte) 0xd8});
        tables();
        frame(SEQUENTIAL, width, height, colour);
        if (restart > 0) {
            segment(0xdd, new byte[] {(byte) (restart >> 8), (byte) restart});
        }
        if (colour) {
            segment(0xda, new byte[] {3, 1, 0, 2, 0, 3, 0, 0, 63, 0});
        } else {
            scan(0, 63, 0);
        }
    }

    private void tables() {
        ByteArrayOutputStream tables = new ByteArrayOutputStream();
        dc.write(tables, 0x00);
        ac.write(tables, 0x10);
        segment(0xc4, tables.toByteArray());
    }

    private void frame(int code, int width, int height, boolean colour) {
        byte[] size = {8, (byte) (height >> 8), (byte) height, (byte) (width >> 8), (byte) width};
        byte[] components = colour ? new byte[] {3, 1, 0x22, 0, 2, 0x11, 0, 3, 0x11, 0} : new byte[] {1, 1, 0x11, 0};
        byte[] body = Arrays.copyOf(size, size.length + components.length);
        System.arraycopy(components, 0, body, size.length, components.length);
        segment(code, body);
    }

    private void scan(int first, int last, int approximation) {
        segment(0xda, new byte[] {1, 1, 0, (byte) first, (byte) last, (byte) approximation});
    }

    private void segment(int code, byte[] body) {
        mark(code);
        out.write(body.length + 2 >> 8);
        out.write(body.length + 2);
        out.writeBytes(body);
    }

    /** A code and as many bits as its symbol tells. */
    private void coded(Table table, int symbol) {
        bits(table.code[symbol], table.length[symbol]);
        int following = table == dc ? symbol : symbol & 15;
        bits(random.nextInt(1 << following), following);
    }

    private void bits(int value, int bits) {
        for (int i = bits - 1; i >= 0; i--) {
            held = held << 1 | value >> i & 1;
            if (++count == 8) {
                out.write(held);
                if ((held & 0xff) == 0xff) {
                    out.write(0);
                }
                held = 0;
                count = 0;
            }
        }
    }

    private void mark(int code) {
        while (count > 0) {
            bits(1, 1);
        }
        out.write(0xff);
        out.write(code);
    }

    /** With other bytes behind it, as on a medium. */
    static byte[] padded(byte[] picture, Random random) {
        byte[] medium = Arrays.copyOf(picture, picture.length + 4096);
        byte[] other = new byte[4096];
        random.nextBytes(other);
        System.arraycopy(other, 0, medium, picture.length, other.length);
        return medium;
    }
}
