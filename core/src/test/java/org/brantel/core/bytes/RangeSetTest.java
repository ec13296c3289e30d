package org.brantel.core.bytes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.BitSet;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class RangeSetTest {

    private static final int SPACE = 200;

    @Test
    void agreesWithABitSetWhateverIsDoneToBoth() {
        Random random = new Random(7);
        for (int round = 0; round < 200; round++) {
            RangeSet set = new RangeSet();
            BitSet bits = new BitSet();
            for (int step = 0; step < 60; step++) {
                int from = random.nextInt(SPACE);
                Range range = new Range(from, random.nextInt(SPACE - from));
                if (random.nextInt(3) == 0) {
                    set.remove(range);
                    bits.clear((int) range.offset(), (int) range.end());
                } else {
                    set.add(range);
                    bits.set((int) range.offset(), (int) range.end());
                }
                assertThat(set.total()).isEqualTo(bits.cardinality());
                int probe = random.nextInt(SPACE - 10);
                Range window = new Range(probe, 1 + random.nextInt(9));
                int inside = bits.get(probe, (int) window.end()).cardinality();
                assertThat(set.overlaps(window)).isEqualTo(inside > 0);
                assertThat(set.contains(window)).isEqualTo(inside == window.length());
                assertThat(set.within(window).stream().mapToLong(Range::length).sum())
                        .isEqualTo(inside);
            }
            assertDisjointAscendingAndMerged(set.ranges());
        }
    }

    private static void assertDisjointAscendingAndMerged(List<Range> ranges) {
        for (int i = 1; i < ranges.size(); i++) {
            assertThat(ranges.get(i).offset())
                    .as("ranges %s", ranges)
                    .isGreaterThan(ranges.get(i - 1).end());
        }
    }

    @Test
    void rangesRefuseWhatIsNoStretchOfAMedium() {
        assertThatThrownBy(() -> new Range(-1, 4)).hasMessageContaining("offset -1");
        assertThatThrownBy(() -> new Range(4, -1)).hasMessageContaining("length -1");
        assertThatThrownBy(() -> new Range(Long.MAX_VALUE, 2)).hasMessageContaining("length 2");
    }

    @Test
    void rangesThatOnlyTouchDoNotOverlap() {
        assertThat(new Range(0, 4).overlaps(new Range(4, 4))).isFalse();
        assertThat(new Range(0, 4).intersection(new Range(4, 4)).isEmpty()).isTrue();
    }
}
