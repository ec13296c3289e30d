package org.brantel.core.kind.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.Arrays;
import java.util.Random;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.ContentKind.Outcome;
import org.brantel.core.kind.ContentKind.Walk;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;

/** Pictures by random tables: each is walked through to its last byte, and none of what breaks the rules is. */
class JpegCodesTest {

    private static Walk walk(byte[] medium) throws IOException {
        return new Jpeg().walk(ByteView.of(new FaultySource(medium), new Range(0, medium.length)));
    }

    private static byte[] picture(Random random, boolean beyond) {
        int restart = random.nextInt(3) == 0 ? 1 + random.nextInt(9) : 0;
        return new JpegCoder(random)
                .sequential(1 + random.nextInt(120), 1 + random.nextInt(90), random.nextBoolean(), restart, beyond);
    }

    @Test
    void everyCodeOfAnyTableIsRead() throws IOException {
        for (int seed = 0; seed < 400; seed++) {
            Random random = new Random(seed);
            byte[] picture = picture(random, false);
            Walk walk = walk(JpegCoder.padded(picture, random));
            assertThat(walk.outcome()).as("seed %d: %s", seed, walk.words()).isEqualTo(Outcome.WHOLE);
            assertThat(walk.length()).as("seed %d", seed).isEqualTo(picture.length);
        }
    }

    @Test
    void everyScanOfAProgressivePictureIsRead() throws IOException {
        for (int seed = 0; seed < 400; seed++) {
            Random random = new Random(seed);
            byte[] picture = new JpegCoder(random).progressive(1 + random.nextInt(120), 1 + random.nextInt(90));
            Walk walk = walk(JpegCoder.padded(picture, random));
            assertThat(walk.outcome()).as("seed %d: %s", seed, walk.words()).isEqualTo(Outcome.WHOLE);
            assertThat(walk.length()).as("seed %d", seed).isEqualTo(picture.length);
        }
    }

    @Test
    void aCoefficientBehindABlocksEndBreaksIt() throws IOException {
        for (int seed = 0; seed < 400; seed++) {
            Random random = new Random(seed);
            Walk walk = walk(JpegCoder.padded(picture(random, true), random));
            assertThat(walk.outcome()).as("seed %d: %s", seed, walk.words()).isEqualTo(Outcome.BROKEN);
        }
    }

    /** Cut and closed with an end mark, blocks are missing. */
    @Test
    void aPictureThatEndsTooEarlyIsBrokenWhereItEnds() throws IOException {
        for (int seed = 0; seed < 400; seed++) {
            Random random = new Random(seed);
            byte[] picture = picture(random, false);
            int data = picture.length - 2;
            while (!(picture[data] == (byte) 0xff && picture[data + 1] == (byte) 0xda)) {
                data--;
            }
            int from = data + 2 + (picture[data + 3] & 0xff);
            if (picture.length - 2 - from < 12) {
                continue;
            }
            int cut = from + 1 + random.nextInt((picture.length - 2 - from) / 2);
            byte[] cutOff = JpegCoder.padded(Arrays.copyOf(picture, cut + 2), random);
            cutOff[cut] = (byte) 0xff;
            cutOff[cut + 1] = (byte) 0xd9;
            Walk walk = walk(cutOff);
            assertThat(walk.outcome()).as("seed %d: %s", seed, walk.words()).isEqualTo(Outcome.BROKEN);
            assertThat(walk.length()).as("seed %d", seed).isLessThanOrEqualTo(cut + 2L);
        }
    }
}
