package org.brantel.server.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.health.HealthReading;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.ReadMap;
import org.brantel.core.imaging.Pass;
import org.brantel.core.imaging.Planner;
import org.junit.jupiter.api.Test;

/** However many ranges a map has, a screen gets as many cells as it has pixels for. */
class RibbonCellsTest {

    private static final long SIZE = 4L << 40;
    private static final int RANGES = 100_000;

    private static ReadMap scattered(int ranges) {
        ReadMap map = new ReadMap(SIZE);
        map.set(new Range(0, SIZE), BlockState.READ);
        for (int i = 0; i < ranges; i++) {
            map.set(new Range(SIZE / ranges * i / 512 * 512, 512), BlockState.FAILED);
        }
        return map;
    }

    @Test
    void oneSectorIsSeenAndAHundredThousandRangesAreNotMoreThanTheScreenHolds() {
        assertThat(RibbonCells.of(scattered(1))).hasSize(RibbonCells.CELLS).matches("fr+");
        assertThat(RibbonCells.of(scattered(RANGES))).hasSize(RibbonCells.CELLS).matches("f+");
        assertThat(RibbonCells.of(scattered(RANGES), new Range(0, SIZE / RANGES * 2), 200))
                .hasSize(200)
                .containsPattern("^fr+f{1,2}r+f?$");
    }

    @Test
    void aWatchTellsAHundredThousandFaultsInABoundedNumberOfEvents() {
        List<ImagingEvent> told = new ArrayList<>();
        long[] faults = new long[1];
        SessionWatch watch = new SessionWatch(1, List.of(), 0, 0, Clock.systemUTC(), new SessionWatch.Records() {
            @Override
            public void progress(ImagingSession.Progress progress, long millis, List<ImagingEvent> events) {
                told.addAll(events);
                faults[0] = progress.faults();
                assertThat(progress.cells()).hasSize(RibbonCells.CELLS);
            }

            @Override
            public void hashing(long bytes) {}

            @Override
            public void resting(String why) {}

            @Override
            public void health(HealthReading reading) {}
        });
        ReadMap map = scattered(RANGES);
        for (int i = 0; i < RANGES; i++) {
            Range range = new Range(SIZE / RANGES * i / 512 * 512, 512);
            watch.fault(range, Pass.SINGLE_SECTOR);
            watch.stepped(map, new Planner.Step(Pass.SINGLE_SECTOR, range), 1000);
        }
        watch.flush();
        assertThat(faults[0]).isEqualTo(RANGES);
        assertThat(told).hasSizeBetween(1000, 2100);
    }
}
