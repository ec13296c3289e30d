package org.brantel.core.opening;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.MapJournal;
import org.brantel.core.json.Json;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.device.DestinationGuard;
import org.brantel.core.source.simulated.SimulatedSource;
import org.brantel.core.testing.FaultySource;
import org.brantel.core.testing.SimulatedDevice;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SourcesTest {

    @TempDir
    private Path folder;

    @Test
    void saysInOneSentenceWhyThereIsNothingToRead() throws IOException {
        Path empty = Files.createFile(folder.resolve("empty.img"));
        assertThatThrownBy(() -> Sources.open(folder.resolve("none.img").toString()))
                .hasMessageContaining("There is no file or device at");
        assertThatThrownBy(() -> Sources.open(folder.toString())).hasMessageContaining("is a folder");
        assertThatThrownBy(() -> Sources.open(empty.toString())).hasMessageContaining("0 bytes");
        assertThatThrownBy(() -> Sources.open(" ")).hasMessageContaining("No source is named");
        assertThatThrownBy(() -> Sources.open("sim:" + folder.resolve("x.json")))
                .hasMessageContaining("no simulated device");
    }

    @Test
    void neverReadsOutsideItsBounds() throws IOException {
        try (Source source = Sources.open(
                Files.write(folder.resolve("a.img"), new byte[1000]).toString())) {
            byte[] buffer = new byte[100];
            assertThatThrownBy(() -> source.read(950, buffer, 0, 51)).isInstanceOf(IndexOutOfBoundsException.class);
            assertThatThrownBy(() -> source.read(-1, buffer, 0, 1)).isInstanceOf(IndexOutOfBoundsException.class);
            assertThatThrownBy(() -> source.read(0, buffer, 99, 2)).isInstanceOf(IndexOutOfBoundsException.class);
            assertThatThrownBy(() -> source.read(Long.MAX_VALUE, buffer, 0, 1))
                    .isInstanceOf(IndexOutOfBoundsException.class);
            assertThat(source.read(950, buffer, 0, 50).isClean()).isTrue();
        }
    }

    @Test
    void aFileThatIsCutWhileItIsReadHasGoneAway() throws IOException {
        Path file = Files.write(folder.resolve("a.img"), new byte[8192]);
        try (Source source = Sources.open(file.toString())) {
            try (RandomAccessFile cut = new RandomAccessFile(file.toFile(), "rw")) {
                cut.setLength(4096);
            }
            assertThat(source.read(0, new byte[4096], 0, 4096).isClean()).isTrue();
            assertThatThrownBy(() -> source.read(4000, new byte[200], 0, 200))
                    .isInstanceOf(SourceException.Gone.class)
                    .hasMessageContaining("it ends at 4096")
                    .hasMessageContaining("Nothing that was read is lost");
        }
    }

    @Test
    void deadRangesOfASimulatedDeviceFailInWholeSectorsAndTheRestReads() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, 4096, 1).dead(600, 10);
        try (Source source = device.open()) {
            byte[] buffer = new byte[4096];
            ReadOutcome outcome = source.read(0, buffer, 0, 4096);
            assertThat(outcome.failed()).containsExactly(new Range(512, 512));
            assertThat(Arrays.copyOf(buffer, 512)).isEqualTo(Arrays.copyOf(device.content(), 512));
            assertThat(Arrays.copyOfRange(buffer, 512, 1024)).containsOnly(0);
        }
    }

    @Test
    void weakSectorsReadAfterTheirNumberOfTries() throws IOException {
        try (Source source =
                new SimulatedDevice(folder, 2048, 2).weak(512, 512, 2).open()) {
            byte[] buffer = new byte[512];
            assertThat(source.read(512, buffer, 0, 512).isClean()).isFalse();
            assertThat(source.read(512, buffer, 0, 512).isClean()).isFalse();
            assertThat(source.read(512, buffer, 0, 512).isClean()).isTrue();
        }
    }

    @Test
    void aDeviceThatDropsOutSaysSo() throws IOException {
        try (Source source =
                new SimulatedDevice(folder, 2048, 3).dropsOutAfter(1).open()) {
            source.read(0, new byte[512], 0, 512);
            assertThatThrownBy(() -> source.read(0, new byte[512], 0, 512)).isInstanceOf(SourceException.Gone.class);
        }
    }

    @Test
    void refusesAMalformedFaultPlanNamingTheLine() throws IOException {
        Path plan = new SimulatedDevice(folder, 512, 4).write();
        Files.writeString(plan, Files.readString(plan).replace("\"dead\":[]", "\"dead\":[{\"offset\":\"here\"}]"));
        assertThatThrownBy(() -> SimulatedSource.open(plan))
                .isInstanceOf(Json.MalformedJson.class)
                .hasMessageContaining("line 2");
        Files.writeString(plan, "{\"format\":\"other\",\"version\":1}");
        assertThatThrownBy(() -> SimulatedSource.open(plan))
                .hasMessageContaining("not a simulated device")
                .hasMessageContaining("other");
    }

    @Test
    void unreadRangesOfAnImageAreNeverZeros() throws IOException {
        byte[] content = new byte[4096];
        Arrays.fill(content, (byte) 7);
        Path image = Files.write(folder.resolve("a.img"), content);
        try (MapJournal journal = MapJournal.create(MapJournal.beside(image), new FaultySource(content))) {
            journal.note(new Range(0, 1024), BlockState.READ, "sweep");
            journal.note(new Range(1024, 512), BlockState.FAILED, "single-sector");
            journal.note(new Range(1536, 512), BlockState.READ, "sweep");
            journal.flush();
        }
        try (Source source = Sources.open(image.toString())) {
            ReadOutcome outcome = source.read(0, new byte[4096], 0, 4096);
            assertThat(outcome.failed()).containsExactly(new Range(1024, 512), new Range(2048, 2048));
            assertThat(source.knownUnread(new Range(1000, 100))).containsExactly(new Range(1024, 76));
        }
    }

    @Test
    void anImageShorterThanItsMapEndsInUnreadBytes() throws IOException {
        Path image = Files.write(folder.resolve("a.img"), new byte[1024]);
        try (MapJournal journal = MapJournal.create(MapJournal.beside(image), new FaultySource(new byte[4096]))) {
            journal.note(new Range(0, 4096), BlockState.READ, "sweep");
            journal.flush();
        }
        try (Source source = Sources.open(image.toString())) {
            assertThat(source.size()).isEqualTo(4096);
            assertThat(source.read(0, new byte[4096], 0, 4096).failed()).containsExactly(new Range(1024, 3072));
        }
    }

    @Test
    void aMapOfAnotherMediumIsRefused() throws IOException {
        Path image = Files.write(folder.resolve("a.img"), new byte[4096]);
        MapJournal.create(MapJournal.beside(image), new FaultySource(new byte[512]))
                .close();
        assertThatThrownBy(() -> Sources.open(image.toString())).hasMessageContaining("do not belong together");
    }

    @Test
    void outputNeverGoesToTheSourceThroughNoLink() throws IOException {
        Path image = Files.write(folder.resolve("a.img"), new byte[512]);
        Path link = Files.createSymbolicLink(folder.resolve("link.img"), image);
        Path hard = Files.createLink(folder.resolve("hard.img"), image);
        try (Source source = Sources.open(image.toString())) {
            for (Path same : List.of(image, link, hard, folder.resolve("./a.img"))) {
                assertThatThrownBy(() -> DestinationGuard.check(source, same))
                        .isInstanceOf(SourceException.class)
                        .hasMessageContaining("choose another place");
            }
            DestinationGuard.check(source, folder.resolve("elsewhere.img"));
        }
    }
}
