package org.brantel.core.image;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.brantel.core.bytes.Range;
import org.junit.jupiter.api.Test;

class ReadMapTest {

    private static final int SIZE = 120;

    @Test
    void agreesWithOneStateForEachByte() {
        Random random = new Random(11);
        for (int round = 0; round < 100; round++) {
            ReadMap map = new ReadMap(SIZE);
            BlockState[] bytes = new BlockState[SIZE];
            Arrays.fill(bytes, BlockState.UNASKED);
            for (int step = 0; step < 50; step++) {
                int from = random.nextInt(SIZE);
                int length = random.nextInt(SIZE - from + 1);
                BlockState state = BlockState.values()[random.nextInt(4)];
                map.set(new Range(from, length), state);
                Arrays.fill(bytes, from, from + length, state);
                for (BlockState s : BlockState.values()) {
                    assertThat(map.bytes(s))
                            .isEqualTo(Arrays.stream(bytes).filter(b -> b == s).count());
                }
            }
            for (int i = 0; i < SIZE; i++) {
                assertThat(map.stateAt(i)).isEqualTo(bytes[i]);
            }
            assertRunsCoverEverythingOnce(map.runs());
        }
    }

    private static void assertRunsCoverEverythingOnce(List<ReadMap.Run> runs) {
        long at = 0;
        BlockState before = null;
        for (ReadMap.Run run : runs) {
            assertThat(run.range().offset()).isEqualTo(at);
            assertThat(run.state()).isNotEqualTo(before);
            before = run.state();
            at = run.range().end();
        }
        assertThat(at).isEqualTo(SIZE);
    }

    @Test
    void findsTheFirstRunOfAStateFromAPosition() {
        ReadMap map = new ReadMap(100);
        map.set(new Range(20, 10), BlockState.READ);
        assertThat(map.firstFrom(0, BlockState.READ)).contains(new Range(20, 10));
        assertThat(map.firstFrom(25, BlockState.READ)).contains(new Range(25, 5));
        assertThat(map.firstFrom(30, BlockState.READ)).isEmpty();
        assertThat(map.firstFrom(100, BlockState.UNASKED)).isEmpty();
    }

    @Test
    void refusesARangeBeyondTheMedium() {
        assertThatThrownBy(() -> new ReadMap(100).set(new Range(90, 11), BlockState.READ))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("100 bytes");
    }
}
