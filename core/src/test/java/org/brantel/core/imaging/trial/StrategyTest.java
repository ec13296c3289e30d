package org.brantel.core.imaging.trial;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Device time is counted, not measured: the same plan gives the same curve on every machine. */
class StrategyTest {

    static List<Devices.Device> devices() {
        return Devices.all();
    }

    @ParameterizedTest
    @MethodSource("devices")
    void neverHasLessThanAPlainWayAndEndsWithAllThatReads(Devices.Device device) {
        List<Trial.Curve> curves = StrategyBenchmark.curves(device);
        Trial.Curve ours = curves.get(0);
        double longest = curves.stream().mapToLong(Trial.Curve::nanos).max().orElseThrow();
        double ahead = 0;
        for (Trial.Curve plain : curves.subList(1, curves.size())) {
            for (int tenth = 1; tenth <= 10; tenth++) {
                double when = longest * tenth / 10;
                assertThat(ours.at(when))
                        .as("%s: bytes at %d tenths of the time, beside %s", device.code(), tenth, plain.strategy())
                        .isGreaterThanOrEqualTo(plain.at(when));
                ahead = Math.max(ahead, (double) (ours.at(when) - plain.at(when)) / device.size());
            }
            assertThat(ours.bytes()).as("bytes at the end").isGreaterThanOrEqualTo(plain.bytes());
        }
        if (device.fails()) {
            assertThat(ahead)
                    .as("%s: farthest ahead, as a share of the device", device.code())
                    .isGreaterThan(0.1);
        }
        assertThat(ours.unread())
                .as("%s: bytes that read and were not read", device.code())
                .isZero();
    }
}
