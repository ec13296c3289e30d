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

class ContainersTest {

    private static Finding carved(long at, long length, Prognosis prognosis) {
        return new Finding(
                0,
                null,
                Origin.CARVED,
                Named.of(null, "at-" + at),
                Times.NONE,
                new Verdict(prognosis, 90, List.of()),
                Content.of(length, "zip", List.of(new Extent(at, length))),
                Evidence.NONE);
    }

    /** Each is said to lie in the innermost whole one that holds all of it. */
    @Test
    void namesTheInnermostThatHoldsIt() {
        for (int seed = 0; seed < 500; seed++) {
            Random random = new Random(seed);
            List<Finding> found = new ArrayList<>();
            nest(random, 0, 4096, 0, found);
            Containers containers = new Containers();
            for (int i = 0; i < found.size(); i++) {
                Finding here = found.get(i);
                Long expected = null;
                for (int j = 0; j < i; j++) {
                    Finding outer = found.get(j);
                    if (outer.prognosis() == Prognosis.WHOLE
                            && outer.firstByte() <= here.firstByte()
                            && end(outer) >= end(here)) {
                        expected = j + 1L;
                    }
                }
                assertThat(containers.within(here, i + 1L).container())
                        .as("seed %d, find %d of %s", seed, i, found)
                        .isEqualTo(expected);
            }
        }
    }

    private static long end(Finding f) {
        return f.firstByte() + f.size();
    }

    /** In order of their places, and none crosses another: what is carved inside a container lies in it. */
    private static void nest(Random random, long from, long to, int depth, List<Finding> found) {
        for (long at = from + random.nextInt(20); at < to - 40; ) {
            long length = 20L + random.nextInt((int) Math.min(2000, to - at - 20));
            found.add(carved(at, length, random.nextInt(3) > 0 ? Prognosis.WHOLE : Prognosis.DOUBTFUL));
            if (depth < 4) {
                nest(random, at + 1, at + length, depth + 1, found);
            }
            at += length + random.nextInt(300);
        }
    }
}
