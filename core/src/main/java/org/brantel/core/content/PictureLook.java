package org.brantel.core.content;

import java.util.Locale;
import java.util.Optional;

/**
 * What a picture looks like, in 128 bits that stay nearly the same when it is made smaller, packed once more or a little
 * brighter: where, over a coarse grid, it grows lighter to the right, and where downwards. Two pictures are near when few
 * of the bits differ.
 *
 * @param right bit {@code 8 * row + column} for 8 columns of 8 rows
 * @param down  likewise
 */
public record PictureLook(long right, long down) {

    private static final int STEPS = 8;
    private static final int GRID = STEPS + 1;
    /** A picture with less between its darkest and its lightest part, of 255, looks like any other such. */
    private static final double PLAIN = 12;
    /** So much lighter is not lighter: it comes of packing. */
    private static final double NOISE = 0.5;

    /**
     * @param light of each point, 0 to 255, row by row
     * @param width in points; at least one, as is the height
     * @return empty where it is too plain to be told from others
     */
    public static Optional<PictureLook> of(int[] light, int width) {
        int height = light.length / width;
        double[][] grid = new double[GRID][GRID];
        double darkest = 255;
        double lightest = 0;
        for (int row = 0; row < GRID; row++) {
            for (int column = 0; column < GRID; column++) {
                double mean = mean(light, width, part(column, width), part(row, height));
                grid[row][column] = mean;
                darkest = Math.min(darkest, mean);
                lightest = Math.max(lightest, mean);
            }
        }
        if (lightest - darkest < PLAIN) {
            return Optional.empty();
        }
        long right = 0;
        long down = 0;
        for (int row = 0; row < STEPS; row++) {
            for (int column = 0; column < STEPS; column++) {
                long bit = 1L << STEPS * row + column;
                right |= grid[row][column + 1] > grid[row][column] + NOISE ? bit : 0;
                down |= grid[row + 1][column] > grid[row][column] + NOISE ? bit : 0;
            }
        }
        return Optional.of(new PictureLook(right, down));
    }

    private record Part(int from, int to) {}

    private static Part part(int index, int length) {
        int from = index * length / GRID;
        return new Part(from, Math.max(from + 1, (index + 1) * length / GRID));
    }

    private static double mean(int[] light, int width, Part columns, Part rows) {
        long sum = 0;
        for (int y = rows.from(); y < rows.to(); y++) {
            for (int x = columns.from(); x < columns.to(); x++) {
                sum += light[y * width + x];
            }
        }
        return (double) sum / ((long) (rows.to() - rows.from()) * (columns.to() - columns.from()));
    }

    /** How many of the 128 bits differ. */
    public int distance(PictureLook other) {
        return Long.bitCount(right ^ other.right) + Long.bitCount(down ^ other.down);
    }

    /** 32 digits. */
    public String hex() {
        return String.format(Locale.ROOT, "%016x%016x", right, down);
    }
}
