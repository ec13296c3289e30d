package org.brantel.core.imaging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.common.jimfs.Configuration;
import com.google.common.jimfs.Jimfs;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileSystem;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.brantel.core.bytes.Range;
import org.brantel.core.hash.Hashes;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.DestinationFull;
import org.brantel.core.image.MapJournal;
import org.brantel.core.image.ReadMap;
import org.brantel.core.json.Json;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.testing.FaultySource;
import org.brantel.core.testing.SimulatedDevice;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ImagerTest {

    private static final int SIZE = 3 << 20;

    @TempDir
    private Path folder;

    private Path image;

    @BeforeEach
    void name() {
        image = folder.resolve("out.img");
    }

    private ImagingResult run(Source source, CareProfile profile, ImagingListener listener, int stopAfter)
            throws IOException {
        int[] asked = new int[1];
        return new Imager(source, image, MapJournal.beside(image), profile, listener)
                .run(() -> asked[0]++ >= stopAfter);
    }

    private ImagingResult run(Source source, CareProfile profile) throws IOException {
        return run(source, profile, new ImagingListener() {}, Integer.MAX_VALUE);
    }

    @Test
    void aHealthyDeviceIsCopiedByteForByteAndHashed() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, SIZE + 512, 1);
        ImagingResult result = run(device.open(), CareProfile.HEALTHY);
        assertThat(Files.readAllBytes(image)).isEqualTo(device.content());
        assertThat(result.sha256()).isEqualTo(Hashes.sha256Hex(device.content(), 0, device.content().length));
        assertThat(result.failedBytes()).isZero();
        assertThat(result.passes()).containsExactly("sweep");
        ImageHashes hashes = Json.read(ImageHashes.beside(image), ImageHashes.class, "hashes");
        assertThat(hashes.chunks()).hasSize(1);
        assertThat(hashes.sha256()).isEqualTo(result.sha256());
    }

    @Test
    void whatDoesNotReadIsUnreadInTheMapAndAllElseIsThere() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, SIZE, 2)
                .dead(100_352, 2048)
                .dead(2_000_384, 512)
                .weak(1_048_576, 1024, 2);
        List<Range> faults = new ArrayList<>();
        ImagingResult result = run(
                device.open(),
                CareProfile.AGEING,
                new ImagingListener() {
                    @Override
                    public void fault(Range range, Pass pass) {
                        faults.add(range);
                    }
                },
                Integer.MAX_VALUE);
        assertThat(result.failedBytes()).isEqualTo(2560);
        assertThat(faults).isNotEmpty();
        byte[] expected = device.content().clone();
        Arrays.fill(expected, 100_352, 102_400, (byte) 0);
        Arrays.fill(expected, 2_000_384, 2_000_896, (byte) 0);
        assertThat(Files.readAllBytes(image)).isEqualTo(expected);
        ReadMap map = MapJournal.load(MapJournal.beside(image)).map();
        assertThat(map.ranges(BlockState.FAILED)).containsExactly(new Range(100_352, 2048), new Range(2_000_384, 512));
        try (Source read = Sources.open(image.toString())) {
            assertThat(read.knownUnread(new Range(0, SIZE))).hasSize(2);
        }
    }

    @Test
    void stoppedAndResumedItEndsWithTheSameImage() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, SIZE, 3).dead(700_416, 4096);
        ImagingResult part = run(device.open(), CareProfile.FAILING, new ImagingListener() {}, 5);
        assertThat(part.finished()).isFalse();
        assertThat(part.sha256()).isNull();
        assertThat(part.readBytes()).isPositive().isLessThan(SIZE);
        ImagingResult whole = run(device.open(), CareProfile.FAILING);
        assertThat(whole.finished()).isTrue();
        byte[] expected = device.content().clone();
        Arrays.fill(expected, 700_416, 704_512, (byte) 0);
        assertThat(Files.readAllBytes(image)).isEqualTo(expected);
    }

    @Test
    void aDeviceThatDropsOutLosesNothingThatWasRead() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, SIZE, 4).dropsOutAfter(20);
        assertThatThrownBy(() -> run(device.open(), CareProfile.FAILING)).isInstanceOf(SourceException.Gone.class);
        long kept = MapJournal.load(MapJournal.beside(image)).map().bytes(BlockState.READ);
        assertThat(kept).isEqualTo(20L * CareProfile.FAILING.blockBytes());
        ImagingResult result = null;
        for (int plugged = 0; plugged < 3; plugged++) {
            try {
                result = run(device.open(), CareProfile.FAILING);
            } catch (SourceException.Gone e) {
                assertThat(plugged).as("each time it is attached it reads on").isLessThan(2);
            }
        }
        assertThat(result).isNotNull();
        assertThat(Files.readAllBytes(image)).isEqualTo(device.content());
    }

    @Test
    void twoSessionsNeverWriteOneImage() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, SIZE, 9);
        int[] refused = new int[1];
        ImagingResult result = run(
                device.open(),
                CareProfile.FAILING,
                new ImagingListener() {
                    @Override
                    public void stepped(ReadMap map, Planner.Step step, long nanos) {
                        if (refused[0] == 0) {
                            assertThatThrownBy(() -> run(device.open(), CareProfile.HEALTHY))
                                    .isInstanceOf(ImageInUse.class)
                                    .hasMessageContaining("another imaging session");
                            refused[0]++;
                        }
                    }
                },
                Integer.MAX_VALUE);
        assertThat(refused[0]).isEqualTo(1);
        assertThat(result.finished()).isTrue();
        assertThat(Files.readAllBytes(image)).isEqualTo(device.content());
        assertThat(run(device.open(), CareProfile.HEALTHY).finished()).isTrue();
    }

    @Test
    void refusesToGoOnWithAnotherDevice() throws IOException {
        run(new SimulatedDevice(folder, SIZE, 5).open(), CareProfile.HEALTHY, new ImagingListener() {}, 1);
        Source other = new SimulatedDevice(folder, SIZE, 5).serial("OTHER-2").open();
        assertThatThrownBy(() -> run(other, CareProfile.HEALTHY))
                .hasMessageContaining("OTHER-2")
                .hasMessageContaining("another device");
        Source larger = new SimulatedDevice(folder, SIZE + 512, 5).open();
        assertThatThrownBy(() -> run(larger, CareProfile.HEALTHY)).hasMessageContaining("another device");
    }

    @Test
    void anImageWithoutItsMapIsNeverOverwritten() throws IOException {
        Files.writeString(image, "somebody's only copy");
        assertThatThrownBy(() -> run(new SimulatedDevice(folder, SIZE, 6).open(), CareProfile.HEALTHY))
                .hasMessageContaining("without a map");
        assertThat(Files.readString(image)).isEqualTo("somebody's only copy");
    }

    @Test
    void theDestinationIsNeverTheSource() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, SIZE, 7);
        Source source = device.open();
        Path backing = folder.resolve("backing.img");
        assertThatThrownBy(() -> new Imager(
                                source, backing, folder.resolve("m"), CareProfile.HEALTHY, new ImagingListener() {})
                        .run(() -> false))
                .hasMessageContaining("is the source itself");
        assertThat(Files.readAllBytes(backing)).isEqualTo(device.content());
    }

    @Test
    void withoutRoomForTheMediumNothingIsRead() throws IOException {
        byte[] content = new byte[SIZE];
        new Random(14).nextBytes(content);
        try (FileSystem small = Jimfs.newFileSystem(Configuration.unix().toBuilder()
                .setMaxSize(1 << 20)
                .setBlockSize(4096)
                .build())) {
            Path crowded = Files.createDirectories(small.getPath("/images"));
            image = crowded.resolve("out.img");
            assertThatThrownBy(() -> run(new FaultySource(content), CareProfile.FAILING))
                    .isInstanceOf(DestinationFull.class)
                    .hasMessageContaining("has room for")
                    .hasMessageContaining("3145728 are to come")
                    .hasMessageContaining("make room");
            assertThat(Files.size(image)).as("nothing was read").isZero();
        }
    }

    @Test
    void aDiskThatFillsUpMeanwhilePausesWithATruthfulMapAndGoesOnWhenThereIsRoom() throws IOException {
        byte[] content = new byte[SIZE];
        new Random(14).nextBytes(content);
        try (FileSystem small = Jimfs.newFileSystem(Configuration.unix().toBuilder()
                .setMaxSize(4 << 20)
                .setBlockSize(4096)
                .build())) {
            Path crowded = Files.createDirectories(small.getPath("/images"));
            Path other = crowded.resolve("other.bin");
            image = crowded.resolve("out.img");
            ImagingListener crowd = new ImagingListener() {
                @Override
                public void stepped(ReadMap map, Planner.Step step, long nanos) {
                    try {
                        if (!Files.exists(other)) {
                            Files.write(other, new byte[2 << 20]);
                        }
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                }
            };
            assertThatThrownBy(() -> run(new FaultySource(content), CareProfile.FAILING, crowd, Integer.MAX_VALUE))
                    .isInstanceOf(DestinationFull.class)
                    .hasMessageContaining("out.img is full")
                    .hasMessageContaining("make room and resume");
            long kept = assertMapIsTrue(content);
            assertThat(kept).isLessThan(SIZE);
            Files.delete(other);
            assertThat(run(new FaultySource(content), CareProfile.FAILING).finished())
                    .isTrue();
            assertThat(assertMapIsTrue(content)).isEqualTo(SIZE).isGreaterThan(kept);
            assertThat(Files.readAllBytes(image)).isEqualTo(content);
        }
    }

    private long assertMapIsTrue(byte[] content) throws IOException {
        byte[] held = Files.readAllBytes(image);
        ReadMap map = MapJournal.load(MapJournal.beside(image)).map();
        for (Range r : map.ranges(BlockState.READ)) {
            assertThat(Arrays.equals(held, (int) r.offset(), (int) r.end(), content, (int) r.offset(), (int) r.end()))
                    .as("%s", r)
                    .isTrue();
        }
        return map.bytes(BlockState.READ);
    }

    @Test
    void anImageThatWasCutIsReadAgainWhereItEnds() throws IOException {
        SimulatedDevice device = new SimulatedDevice(folder, SIZE, 8);
        run(device.open(), CareProfile.HEALTHY);
        byte[] whole = Files.readAllBytes(image);
        Files.write(image, Arrays.copyOf(whole, 1_000_000));
        ImagingResult again = run(device.open(), CareProfile.HEALTHY);
        assertThat(again.readBytes()).isEqualTo(SIZE);
        assertThat(Files.readAllBytes(image)).isEqualTo(whole);
    }
}
