package org.brantel.core.filesystem;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.BitSet;
import java.util.List;
import java.util.Random;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.junit.jupiter.api.Test;

class ClusterSetTest {

    @Test
    void answersLikeAPlainSet() {
        for (int seed = 0; seed < 60; seed++) {
            Random random = new Random(seed);
            // Beyond the size of one part, so that runs cross its border.
            int count = 1_000_000 + random.nextInt(2_000_000);
            ClusterSet set = new ClusterSet(count);
            BitSet plain = new BitSet();
            for (int i = 0; i < 40; i++) {
                int from = random.nextInt(count + 10) - 5;
                int length = random.nextInt(i % 3 == 0 ? 1_500_000 : 100);
                set.add(from, length);
                plain.set(Math.max(0, from), Math.max(0, Math.min(count, from + length)));
                int gone = random.nextInt(count + 10) - 5;
                int many = random.nextInt(i % 5 == 0 ? 200_000 : 100);
                set.remove(gone, many);
                plain.clear(Math.max(0, gone), Math.max(0, Math.min(count, gone + many)));
            }
            assertThat(set.size()).isEqualTo(plain.cardinality());
            for (int i = 0; i < 200; i++) {
                int at = random.nextInt(count);
                int length = random.nextInt(count - at + 1);
                assertThat(set.holds(at)).isEqualTo(plain.get(at));
                assertThat(set.countIn(at, length))
                        .isEqualTo(plain.get(at, at + length).cardinality());
                int held = plain.nextSetBit(at);
                assertThat(set.nextHeld(at)).isEqualTo(held < 0 ? count : held);
                assertThat(set.nextClear(at)).isEqualTo(Math.min(count, plain.nextClearBit(at)));
            }
            assertThat(set.holds(-1) || set.holds(count)).isFalse();
        }
    }

    @Test
    void spaceGoesAroundWhatIsUsedAndGivesTheRestAsFree() {
        Space space = new Space(1000, 100, 2, 10);
        space.use(4);
        space.use(7, 2);
        assertThat(space.free(1750)).containsExactly(new Range(1000, 200), new Range(1300, 200), new Range(1700, 50));
        assertThat(space.straightOn(2, 350)).containsExactly(new Extent(1000, 350));
        assertThat(space.aroundUsed(2, 350)).containsExactly(new Extent(1000, 200), new Extent(1300, 150));
        assertThat(Extents.length(space.straightOn(10, 900)))
                .as("the volume ends first")
                .isEqualTo(200);
        assertThat(space.isCluster(11)).isTrue();
        assertThat(space.isCluster(12)).isFalse();
    }

    @Test
    void whatIsReleasedIsFreeAgainAndNothingElse() {
        Space space = new Space(1000, 100, 2, 10);
        space.use(3, 5);
        space.release(new Extent(1200, 250));
        space.release(new Extent(Extent.HOLE, 1000));
        assertThat(space.free(2000))
                .as("what a file has of a cluster at its end is all of it")
                .containsExactly(new Range(1000, 100), new Range(1200, 300), new Range(1600, 400));
    }

    @Test
    void whatIsNotFreeIsUsed() {
        Space space = new Space(1000, 100, 0, 10);
        space.useAllBut(List.of(new Range(1200, 250), new Range(1800, 100)));
        assertThat(space.free(10_000))
                .as("a cluster that is only half free is used")
                .containsExactly(new Range(1200, 200), new Range(1800, 100));
    }
}
