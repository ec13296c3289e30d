package org.brantel.core.content;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.Arrays;
import java.util.Random;
import org.brantel.core.bytes.Range;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;

class DifferenceTest {

    private static final int LENGTH = 3_000_000;

    private final byte[] one = new byte[LENGTH];

    DifferenceTest() {
        new Random(4).nextBytes(one);
    }

    private static long count(Difference d, Difference.Slot slot) {
        return d.slots().stream().filter(slot::equals).count();
    }

    @Test
    void theSameBytesDifferNowhere() throws IOException {
        Difference d = Difference.between(new FaultySource(one), new FaultySource(one.clone()), LENGTH);
        assertThat(d.differing()).isZero();
        assertThat(d.compared()).isEqualTo(LENGTH);
        assertThat(count(d, Difference.Slot.SAME)).isEqualTo(120);
    }

    @Test
    void eachByteThatDiffersIsCountedAndMarkedInItsPlace() throws IOException {
        byte[] other = one.clone();
        Random random = new Random(9);
        int[] places = random.ints(500, 0, LENGTH).distinct().toArray();
        for (int at : places) {
            other[at] ^= (byte) (1 + random.nextInt(255));
        }
        Difference d = Difference.between(new FaultySource(one), new FaultySource(other), LENGTH);
        assertThat(d.differing()).isEqualTo(places.length);
        for (int at : places) {
            assertThat(d.slots().get((int) ((long) at * 120 / LENGTH))).isEqualTo(Difference.Slot.DIFFERENT);
        }
    }

    @Test
    void whatWasNeverReadIsNotSaidToDiffer() throws IOException {
        byte[] other = one.clone();
        Arrays.fill(other, 1_000_000, 1_100_000, (byte) 0);
        Difference d = Difference.between(
                new FaultySource(one), new FaultySource(other, new Range(1_000_000, 100_000)), LENGTH);
        assertThat(d.differing()).isZero();
        assertThat(d.unread()).isEqualTo(100_000);
        assertThat(d.compared()).isEqualTo(LENGTH - 100_000);
        assertThat(count(d, Difference.Slot.UNREAD)).isBetween(4L, 5L);
    }

    @Test
    void whatOnlyTheLongerOneHasIsSaidToBeSo() throws IOException {
        Difference d =
                Difference.between(new FaultySource(Arrays.copyOf(one, LENGTH / 2)), new FaultySource(one), LENGTH);
        assertThat(d.beyond()).isEqualTo(LENGTH / 2);
        assertThat(count(d, Difference.Slot.BEYOND)).isEqualTo(60);
        assertThat(Difference.between(new FaultySource(new byte[0]), new FaultySource(new byte[0]), 10)
                        .differing())
                .isZero();
        assertThat(Difference.between(new FaultySource(one), new FaultySource(one), 1000)
                        .compared())
                .isEqualTo(1000);
    }
}
