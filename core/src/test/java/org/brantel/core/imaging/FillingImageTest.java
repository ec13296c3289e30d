package org.brantel.core.imaging;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.brantel.core.bytes.Range;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.MapJournal;
import org.brantel.core.image.WantedFirst;
import org.brantel.core.opening.Sources;
import org.brantel.core.scan.Scan;
import org.brantel.core.scan.ScanListener;
import org.brantel.core.scan.ScanMethod;
import org.brantel.core.scan.ScanPlan;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.testing.Corpus;
import org.brantel.core.testing.SimulatedDevice;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/** A scan by records while the image is still being written. */
class FillingImageTest {

    @TempDir
    private Path folder;

    /** Reads half of the device at once and the rest slowly, until it is let go. */
    private static final class Slowly implements Orders {
        private final long half;
        private final AtomicBoolean hurry = new AtomicBoolean();
        private volatile boolean stop;
        private long asked;

        Slowly(long size) {
            half = size / 2;
        }

        @Override
        public boolean stop() {
            return stop;
        }

        @Override
        public void pace(long bytes) throws IOException {
            asked += bytes;
            for (int i = 0; i < 20 && asked > half && !hurry.get(); i++) {
                sleep(10);
            }
        }
    }

    private static void sleep(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void waitForMap(Path image) throws IOException {
        while (!Files.exists(MapJournal.beside(image)) || Files.size(MapJournal.beside(image)) == 0) {
            sleep(5);
        }
    }

    @Test
    @Timeout(120)
    void recordsAreFetchedAheadOfTheRest() throws Exception {
        Path device = Corpus.image("d08-gpt-primary-lost", folder);
        Path image = folder.resolve("case.img");
        Slowly orders = new Slowly(Files.size(device));
        ExecutorService bench = Executors.newSingleThreadExecutor();
        try (Source source = Sources.open(device.toString())) {
            Future<ImagingResult> imaging = bench.submit(() -> new Imager(
                            source, image, MapJournal.beside(image), CareProfile.HEALTHY, new ImagingListener() {})
                    .run(orders));
            waitForMap(image);
            assertThat(Imager.isWriting(image)).isTrue();
            List<Finding> found = new ArrayList<>();
            try (Source filling = Sources.openFilling(image, () -> !imaging.isDone())) {
                new Scan(
                                filling,
                                ScanPlan.of(ScanMethod.STRUCTURE)
                                        .searching(false)
                                        .hashing(true),
                                ScanListener.NONE,
                                Clock.systemUTC())
                        .run(folder.resolve("out"), () -> false);
            }
            long readThen = MapJournal.load(MapJournal.beside(image)).map().bytes(BlockState.READ);
            FindingsFile.read(folder.resolve("out/findings.ndjson"), found::add);
            assertThat(imaging.isDone()).as("the device is not through yet").isFalse();
            assertThat(readThen).isLessThan(Files.size(device));
            // Both volumes lie behind a table that only its copy in the last sectors still describes.
            assertThat(found)
                    .extracting(Finding::path)
                    .containsAll(Corpus.files("d08-gpt-primary-lost").stream()
                            .filter(f -> f.state().equals("live") && !f.path().contains(":"))
                            .map(f -> "/" + f.path().replaceFirst("^/", ""))
                            .toList());
            assertThat(found)
                    .filteredOn(f -> f.prognosis() == Prognosis.GAPPED)
                    .as("content that is still to come")
                    .isNotEmpty();
            assertThat(found)
                    .filteredOn(f -> f.prognosis() == Prognosis.WHOLE && f.sha256() == null)
                    .isEmpty();
            orders.hurry.set(true);
            assertThat(imaging.get(60, TimeUnit.SECONDS).finished()).isTrue();
        } finally {
            bench.shutdownNow();
        }
        assertThat(Imager.isWriting(image)).isFalse();
        assertThat(image).hasSameBinaryContentAs(device);
        assertThat(folder.resolve("case.img.wanted")).doesNotExist();
    }

    @Test
    @Timeout(60)
    void whenImagingEndsEarlyWhatWasNotReadIsMissing() throws Exception {
        SimulatedDevice device = new SimulatedDevice(folder, 8 << 20, 3);
        Path image = folder.resolve("case.img");
        Slowly orders = new Slowly(4 << 20);
        ExecutorService bench = Executors.newSingleThreadExecutor();
        try (Source source = device.open()) {
            Future<ImagingResult> imaging = bench.submit(() -> new Imager(
                            source, image, MapJournal.beside(image), CareProfile.LAST_CHANCE, new ImagingListener() {})
                    .run(orders));
            waitForMap(image);
            byte[] last = new byte[512];
            try (Source filling = Sources.openFilling(image, () -> !imaging.isDone())) {
                assertThat(filling.read((8 << 20) - 512, last, 0, 512).isClean())
                        .as("the last sector is fetched")
                        .isTrue();
                assertThat(last).isEqualTo(java.util.Arrays.copyOfRange(device.content(), (8 << 20) - 512, 8 << 20));
                orders.stop = true;
                assertThat(imaging.get(30, TimeUnit.SECONDS).finished()).isFalse();
                sleep(60);
                List<Range> missing = filling.knownUnread(new Range(0, 8 << 20));
                assertThat(missing).isNotEmpty();
                assertThat(filling.read(missing.get(0).offset(), last, 0, 512).failed())
                        .containsExactly(new Range(missing.get(0).offset(), 512));
            }
        } finally {
            bench.shutdownNow();
        }
    }

    @Test
    void wishesThatAreTornOrLeaveTheMediumArePassedOver() throws IOException {
        Path image = folder.resolve("case.img");
        WantedFirst there = WantedFirst.beside(image);
        assertThat(there.news(1 << 20)).isEmpty();
        there.ask(List.of(new Range(4096, 512), new Range(1 << 19, 1 << 30)));
        Path file = folder.resolve("case.img.wanted");
        Files.writeString(
                file,
                Files.readString(file) + "{\"off\":-5,\"len\":9}\nnonsense\n{\"off\":2097152,\"len\":1}\n{\"off\":10");
        assertThat(there.news(1 << 20)).containsExactly(new Range(4096, 512), new Range(1 << 19, 1 << 19));
        Files.writeString(file, Files.readString(file) + ",\"len\":6}\n");
        assertThat(there.news(1 << 20)).containsExactly(new Range(10, 6));
        assertThat(there.news(1 << 20)).isEmpty();
    }

    @Test
    void anImageThatHasNoMapYetIsRefusedInWords() {
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> Sources.openFilling(folder.resolve("none.img"), () -> true))
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("Nothing was read into none.img yet");
    }
}
