package org.brantel.core.content;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pictures look the same however large and well packed they are, and unlike others. */
class PictureLookTest {

    /** How many bits of two pictures may differ that a person would call the same. */
    private static final int NEAR = 14;

    /** A soft light, or a shadow, on a picture. */
    private record Spot(double x, double y, double wide, double light) {

        static Spot of(Random random) {
            return new Spot(
                    random.nextDouble(),
                    random.nextDouble(),
                    0.03 + 0.1 * random.nextDouble(),
                    random.nextBoolean() ? 110 : -70);
        }

        double at(double px, double py) {
            return light * Math.exp(-((px - x) * (px - x) + (py - y) * (py - y)) / (2 * wide * wide));
        }
    }

    /** Hills and lamps that depend on a seed. */
    private static int[] picture(long seed, int width, int height, double brighter, double noise) {
        Random random = new Random(seed);
        double slope = 90 * random.nextDouble();
        List<Spot> spots = Stream.generate(() -> Spot.of(random)).limit(9).toList();
        Random grain = new Random(seed * 31 + width);
        int[] light = new int[width * height];
        for (int i = 0; i < light.length; i++) {
            double x = (i % width + 0.5) / width;
            double y = (Math.floorDiv(i, width) + 0.5) / height;
            double value = 60 + slope * y;
            for (Spot spot : spots) {
                value += spot.at(x, y);
            }
            light[i] = (int) Math.max(0, Math.min(255, value * brighter + grain.nextGaussian() * noise));
        }
        return light;
    }

    private static PictureLook look(long seed, int width, int height, double brighter, double noise) {
        return PictureLook.of(picture(seed, width, height, brighter, noise), width)
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({"240, 180, 1, 6", "160, 120, 1, 0", "96, 72, 1.08, 4", "40, 30, 0.92, 0"})
    void theSamePictureMadeAnewIsNear(int width, int height, double brighter, double noise) {
        for (int seed = 1; seed <= 40; seed++) {
            PictureLook large = look(seed, 240, 180, 1, 0);
            assertThat(large.distance(look(seed, width, height, brighter, noise)))
                    .as("picture %d", seed)
                    .isLessThanOrEqualTo(NEAR);
        }
    }

    @Test
    void otherPicturesAreNot() {
        List<PictureLook> looks = LongStream.rangeClosed(1, 60)
                .mapToObj(seed -> look(seed, 120, 90, 1, 0))
                .toList();
        for (int a = 0; a < looks.size(); a++) {
            for (int b = a + 1; b < looks.size(); b++) {
                assertThat(looks.get(a).distance(looks.get(b)))
                        .as("pictures %d and %d", a, b)
                        .isGreaterThan(NEAR);
            }
        }
    }

    @Test
    void aPlainPictureLooksLikeNone() {
        assertThat(PictureLook.of(new int[64 * 48], 64)).isEmpty();
        assertThat(PictureLook.of(new int[] {7}, 1)).isEmpty();
    }

    @Test
    void bitsSayWhereItGrowsLighter() {
        int[] light = new int[18 * 18];
        for (int i = 0; i < light.length; i++) {
            light[i] = i % 18 * 10;
        }
        PictureLook rightwards = PictureLook.of(light, 18).orElseThrow();
        assertThat(rightwards).isEqualTo(new PictureLook(-1, 0));
        assertThat(rightwards.hex()).isEqualTo("ffffffffffffffff0000000000000000");
    }
}
