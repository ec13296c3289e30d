package org.brantel.core.imaging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InterruptedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.brantel.core.bytes.Range;
import org.brantel.core.health.HealthReading;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.Bookmark;
import org.brantel.core.image.MapJournal;
import org.brantel.core.image.ReadMap;
import org.brantel.core.imaging.LimitReached.Limit;
import org.brantel.core.json.Json;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.testing.FaultySource;
import org.brantel.core.testing.SimulatedDevice;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What can be asked of a running session, what ends it, and what it keeps. */
class ImagerOrdersTest {

    private static final int SIZE = 3 << 20;

    @TempDir
    private Path folder;

    private Path image;

    @BeforeEach
    void name() {
        image = folder.resolve("out.img");
    }

    /** Orders that a test can change, and what the listener heard. */
    private static class Told implements Orders, ImagingListener {
        private StopLimits limits = StopLimits.NONE;
        private CareProfile profile;
        private String rest;
        private int steps;
        private int stopAfter = Integer.MAX_VALUE;
        private final List<HealthReading> readings = new ArrayList<>();
        private final List<LimitReached> warm = new ArrayList<>();
        private final List<Planner.Step> made = new ArrayList<>();
        private int ordered;

        @Override
        public boolean stop() {
            return steps >= stopAfter;
        }

        @Override
        public Optional<StopLimits> limits() {
            return Optional.of(limits);
        }

        @Override
        public Optional<CareProfile> profile() {
            return Optional.ofNullable(profile);
        }

        @Override
        public Optional<String> rest() {
            return Optional.ofNullable(rest);
        }

        @Override
        public int healthSeconds() {
            return 0;
        }

        @Override
        public void stepped(ReadMap map, Planner.Step step, long nanos) {
            steps++;
            made.add(step);
        }

        @Override
        public void health(HealthReading reading) {
            readings.add(reading);
        }

        @Override
        public void resting(String why, LimitReached limit) {
            if (why != null && ++ordered == 3) {
                rest = null;
            }
            if (limit != null) {
                warm.add(limit);
            }
        }
    }

    private ImagingResult run(Source source, CareProfile profile, Told told) throws IOException {
        return new Imager(source, image, MapJournal.beside(image), profile, told).run(told);
    }

    @Test
    void faultsInARowEndItWithTheirNumberAndItGoesOnAfterwards() throws IOException {
        SimulatedDevice device =
                new SimulatedDevice(folder, SIZE, 1).dead(1 << 20, 24 * 512).with("\"onFault\":\"stops\"");
        Told told = new Told();
        told.limits = new StopLimits(4, 0, 0, 0, 0);
        ImagingResult ended = run(device.open(), CareProfile.FAILING, told);
        assertThat(ended.finished()).isFalse();
        assertThat(ended.reached()).isEqualTo(new LimitReached(Limit.FAULTS_IN_ROW, 4, 4));
        assertThat(ended.reached().words()).isEqualTo("4 faults in a row, the limit is 4");
        assertThat(MapJournal.load(MapJournal.beside(image)).map().bytes(BlockState.READ))
                .isEqualTo(ended.readBytes())
                .isPositive();
        told.limits = StopLimits.NONE;
        ImagingResult whole = run(device.open(), CareProfile.FAILING, told);
        assertThat(whole.finished()).isTrue();
        assertThat(whole.failedBytes()).isEqualTo(24 * 512);
    }

    @Test
    void growingCountersEndIt() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, SIZE, 2)
                .dead(1 << 20, 100 * 512)
                .with("\"health\":{\"celsius\":30,\"celsiusMost\":30,\"pending\":7,"
                        + "\"perFault\":{\"reallocated\":0,\"pending\":1,\"uncorrectable\":0.5}}");
        Told told = new Told();
        told.limits = new StopLimits(0, 0, 0, 20, 0);
        ImagingResult ended = run(device.open(), CareProfile.AGEING, told);
        assertThat(ended.reached().limit()).isEqualTo(Limit.GROWTH);
        assertThat(ended.reached().value()).isGreaterThanOrEqualTo(20);
        HealthReading last = told.readings.get(told.readings.size() - 1);
        assertThat(last.damaged() - told.readings.get(0).damaged())
                .isEqualTo(ended.reached().value());
        assertThat(told.readings.get(0).pending()).isEqualTo(7);
    }

    @Test
    void aWarmDeviceRestsUntilItIsFiveDegreesCooler() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, SIZE, 3)
                .with("\"timing\":{\"mibPerSecond\":6,\"requestMicros\":0,\"seekMillis\":0,\"faultMillis\":0},"
                        + "\"health\":{\"celsius\":30,\"celsiusMost\":70,\"warmSeconds\":0.4}");
        Told told = new Told();
        told.limits = new StopLimits(0, 0, 45, 0, 0);
        ImagingResult result = run(device.open(), CareProfile.FAILING, told);
        assertThat(result.finished()).isTrue();
        assertThat(told.warm).isNotEmpty().allSatisfy(w -> assertThat(w.value()).isGreaterThan(40));
        assertThat(told.warm.get(0).value()).isGreaterThanOrEqualTo(45);
        assertThat(told.readings)
                .extracting(HealthReading::celsius)
                .as("it was warm, then cool")
                .contains(
                        told.warm.get(0).value() == 45
                                ? 45
                                : (int) told.warm.get(0).value())
                .anyMatch(c -> c <= 40);
        assertThat(result.reached()).as("resting is not ending").isNull();
    }

    @Test
    void whileAskedToRestItMakesNoRequestAndThenGoesOn() throws IOException {
        Told told = new Told();
        told.rest = "quiet hours";
        ImagingResult result = run(new FaultySource(new byte[1 << 20]), CareProfile.HEALTHY, told);
        assertThat(told.ordered).isEqualTo(3);
        assertThat(result.finished()).isTrue();
        assertThat(told.steps).isEqualTo(1);
    }

    @Test
    void aNewProfileHoldsFromTheNextRequestOn() throws IOException {
        Told told = new Told() {
            @Override
            public void stepped(ReadMap map, Planner.Step step, long nanos) {
                super.stepped(map, step, nanos);
                if (map.bytes(BlockState.READ) == 1 << 20) {
                    super.profile = CareProfile.FAILING;
                }
            }
        };
        run(new SimulatedDevice(folder, SIZE, 4).open(), CareProfile.HEALTHY, told);
        List<Long> lengths = told.made.stream().map(s -> s.range().length()).toList();
        assertThat(lengths.get(0)).isEqualTo(CareProfile.HEALTHY.blockBytes());
        assertThat(lengths.subList(1, lengths.size()))
                .containsOnly((long) CareProfile.FAILING.blockBytes())
                .hasSize(32);
    }

    @Test
    void aSecondSessionOnTheSameDeviceIsRefusedWhateverItsImage() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, SIZE, 5);
        Path other = folder.resolve("other.img");
        Told told = new Told() {
            @Override
            public void stepped(ReadMap map, Planner.Step step, long nanos) {
                super.stepped(map, step, nanos);
                if (super.steps == 1) {
                    assertThatThrownBy(() -> new Imager(
                                            device.open(),
                                            other,
                                            MapJournal.beside(other),
                                            CareProfile.HEALTHY,
                                            new ImagingListener() {})
                                    .run(() -> false))
                            .isInstanceOf(DeviceInUse.class)
                            .hasMessageContaining("never a second one");
                }
            }
        };
        assertThat(run(device.open(), CareProfile.FAILING, told).finished()).isTrue();
        assertThat(MapJournal.beside(other)).as("nothing was begun").doesNotExist();
    }

    @Test
    void retriesAreCountedOnWhenTheSessionGoesOnLater() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, SIZE, 6).dead(1 << 20, 8 * 512);
        Told first = new Told() {
            @Override
            public void stepped(ReadMap map, Planner.Step step, long nanos) {
                super.stepped(map, step, nanos);
                super.stopAfter = step.pass() == Pass.PERSISTENCE && super.stopAfter == Integer.MAX_VALUE
                        ? super.steps + 2
                        : super.stopAfter;
            }
        };
        assertThat(run(device.open(), CareProfile.AGEING, first).finished()).isFalse();
        Bookmark kept = MapJournal.load(MapJournal.beside(image)).rounds();
        assertThat(kept.round()).isEqualTo(1);
        assertThat(kept.position()).isEqualTo((1 << 20) + 3 * 512);
        Told second = new Told();
        assertThat(run(device.open(), CareProfile.AGEING, second).finished()).isTrue();
        long retries =
                second.made.stream().filter(s -> s.pass() == Pass.PERSISTENCE).count();
        assertThat(retries)
                .as("three rounds of eight sectors, three of them done")
                .isEqualTo(3 * 8 - 3);
    }

    @Test
    void hashesMadeMeanwhileAreThoseOfTheImageGapsAndAll() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, 18 << 20, 7).dead(5_000_192, 4096);
        Told told = new Told();
        told.stopAfter = 60;
        run(device.open(), CareProfile.FAILING, told);
        told.stopAfter = Integer.MAX_VALUE;
        ImagingResult result = run(device.open(), CareProfile.FAILING, told);
        ImageHashes meanwhile = Json.read(ImageHashes.beside(image), ImageHashes.class, "hashes");
        assertThat(meanwhile).isEqualTo(ImageHashes.of(image, 18 << 20, (done, all) -> {}, () -> false));
        assertThat(meanwhile.sha256()).isEqualTo(result.sha256());
        assertThat(meanwhile.chunks()).hasSize(5);
    }

    @Test
    void aRecheckNamesTheChunkThatWasDamaged() throws IOException {
        run(new SimulatedDevice(folder, 18 << 20, 8).open(), CareProfile.HEALTHY, new Told());
        assertThat(ImageCheck.of(image, (done, all) -> {}, () -> false).isSound())
                .isTrue();
        byte[] held = Files.readAllBytes(image);
        held[9 << 20] ^= 1;
        Files.write(image, held);
        ImageCheck check = ImageCheck.of(image, (done, all) -> {}, () -> false);
        assertThat(check.isSound()).isFalse();
        assertThat(check.damaged()).containsExactly(new Range(8 << 20, 4 << 20));
        Files.write(image, new byte[3]);
        assertThatThrownBy(() -> ImageCheck.of(image, (done, all) -> {}, () -> false))
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("has 3 bytes");
    }

    @Test
    void zerosTakeNoRoomAndAreReadAllTheSame() throws IOException {
        byte[] content = new byte[16 << 20];
        content[5_000_000] = 1;
        content[content.length - 5000] = 2;
        ImagingResult result = run(new FaultySource(content), CareProfile.HEALTHY, new Told());
        assertThat(Files.readAllBytes(image)).isEqualTo(content);
        assertThat(result.readBytes()).isEqualTo(content.length);
        // A file with holes has fewer blocks of 512 bytes than its length; not every file system can keep them.
        long blocks = ((Number) Files.getAttribute(image, "unix:size")).longValue() / 512;
        Process stat = new ProcessBuilder("stat", "-c", "%b", image.toString()).start();
        assertThat(Long.parseLong(new String(stat.getInputStream().readAllBytes(), StandardCharsets.US_ASCII).strip()))
                .isLessThan(blocks / 8);
    }

    @Test
    void whatAResumedSessionReadsAsZerosReplacesWhatWasThere() throws IOException {
        byte[] content = new byte[1 << 20];
        Path map = MapJournal.beside(image);
        try (MapJournal journal = MapJournal.create(map, new FaultySource(content))) {
            journal.note(new Range(0, 4096), BlockState.READ, "sweep");
            journal.flush();
        }
        byte[] torn = new byte[1 << 20];
        java.util.Arrays.fill(torn, 4096, torn.length, (byte) 0xee);
        Files.write(image, torn);
        run(new FaultySource(content), CareProfile.HEALTHY, new Told());
        assertThat(Files.readAllBytes(image)).isEqualTo(content);
    }

    @Test
    void sharesOfARateAreEqualWhateverTheSizeOfTheRequests() throws Exception {
        SharedRate rate = new SharedRate(() -> 8L << 20);
        long[] got = new long[2];
        long start = System.nanoTime();
        long end = start + 1_500_000_000L;
        Thread[] takers = new Thread[2];
        for (int i = 0; i < 2; i++) {
            int which = i;
            int request = i == 0 ? 1 << 20 : 64 << 10;
            takers[i] = new Thread(() -> {
                try {
                    while (System.nanoTime() < end) {
                        rate.take(request, () -> false);
                        got[which] += request;
                    }
                } catch (InterruptedIOException e) {
                    got[which] = -1;
                }
            });
            takers[i].start();
        }
        for (Thread t : takers) {
            t.join();
        }
        double seconds = (System.nanoTime() - start) / 1e9;
        assertThat((double) got[0] + got[1])
                .as("no more than there was in that time")
                .isLessThanOrEqualTo((8 << 20) * seconds);
        assertThat((double) got[1] / got[0]).as("small beside large").isBetween(0.4, 2.5);
    }
}
