package org.brantel.core.scan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.junit.jupiter.api.Test;

class ClaimsTest {

    private static final int BLOCK = 512;

    private static Finding finding(long size, Extent... extents) {
        return new Finding(
                1,
                0,
                Origin.DELETED,
                Named.of("/a", "a"),
                Times.NONE,
                new Verdict(Prognosis.WHOLE, 90, List.of()),
                Content.of(size, "txt", List.of(extents)),
                Evidence.NONE);
    }

    /** Counted block by block, the slow way. */
    @Test
    void addsUpLikeCountingEachBlock() {
        for (int seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            int blocks = 20 + random.nextInt(60);
            Claims claims = new Claims((long) blocks * BLOCK);
            int[] claimed = new int[blocks];
            long listed = 0;
            for (int f = random.nextInt(12); f >= 0; f--) {
                List<Extent> extents = new ArrayList<>();
                long size = 0;
                for (int e = random.nextInt(3); e >= 0; e--) {
                    int at = random.nextInt(blocks);
                    int length = 1 + random.nextInt(blocks - at);
                    extents.add(new Extent((long) at * BLOCK, (long) length * BLOCK));
                    size += (long) length * BLOCK;
                    for (int i = at; i < at + length; i++) {
                        claimed[i]++;
                    }
                }
                listed += size;
                claims.add(finding(size, extents.toArray(Extent[]::new)));
            }
            long distinct = 0;
            long again = 0;
            for (int times : claimed) {
                distinct += times > 0 ? BLOCK : 0;
                again += (long) Math.max(0, times - 1) * BLOCK;
            }
            assertThat(claims.sum()).as("seed %d", seed).isEqualTo(new ScanReport.Claimed(listed, distinct, again, 0));
        }
    }

    @Test
    void holesAndWhatIsBeyondTheMediumAreStoredNowhere() {
        Claims claims = new Claims(10 * BLOCK);
        claims.add(finding(100 * BLOCK, new Extent(0, 2 * BLOCK), Extent.hole(98 * BLOCK)));
        claims.add(finding(4 * BLOCK, new Extent(8 * BLOCK, 4 * BLOCK)));
        ScanReport.Claimed sum = claims.sum();
        assertThat(sum.listed()).isEqualTo(104 * BLOCK);
        assertThat(sum.distinct()).isEqualTo(4 * BLOCK);
        assertThat(sum.again()).isZero();
        assertThat(sum.unstored()).isEqualTo(98 * BLOCK);
    }

    /** A last cluster's slack belongs to nobody. */
    @Test
    void slackIsNotClaimed() {
        Claims claims = new Claims(20 * BLOCK);
        claims.add(finding(BLOCK, new Extent(0, 8 * BLOCK)));
        claims.add(finding(BLOCK, new Extent(4 * BLOCK, 8 * BLOCK)));
        assertThat(claims.sum()).isEqualTo(new ScanReport.Claimed(2 * BLOCK, 2 * BLOCK, 0, 0));
    }
}
