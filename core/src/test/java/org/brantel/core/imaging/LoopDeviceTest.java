package org.brantel.core.imaging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.brantel.core.bytes.Range;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.DestinationFull;
import org.brantel.core.image.MapJournal;
import org.brantel.core.image.ReadMap;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.WriteBlock;
import org.brantel.core.source.device.AttachedDisk;
import org.brantel.core.source.device.AttachedDisks;
import org.brantel.core.source.device.DestinationGuard;
import org.brantel.core.testing.FaultySource;
import org.brantel.core.testing.LoopDevice;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Real block devices of the kernel. Where there are none, each test is skipped and says so. */
class LoopDeviceTest {

    private static final int SIZE = 8 << 20;

    @TempDir
    private Path folder;

    private Path disk;
    private Path elsewhere;
    private Path image;
    private byte[] content;

    @BeforeEach
    void disk() throws IOException {
        content = new byte[SIZE];
        new Random(31).nextBytes(content);
        disk = Files.write(folder.resolve("disk.bin"), content);
        // In memory: the file behind a loop device lies on a disk, and that disk is the device's own for the guard.
        Path memory = Path.of("/dev/shm");
        assumeTrue(Files.isWritable(memory), "NOT TESTED: this machine has no /dev/shm to write images to.");
        elsewhere = Files.createTempDirectory(memory, "brantel-test");
        image = elsewhere.resolve("out.img");
    }

    @AfterEach
    void clear() throws IOException {
        if (elsewhere != null) {
            try (Stream<Path> all = Files.walk(elsewhere)) {
                for (Path p : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(p);
                }
            }
        }
    }

    private ImagingResult run(Source source, CareProfile profile) throws IOException {
        return new Imager(source, image, MapJournal.beside(image), profile, new ImagingListener() {}).run(() -> false);
    }

    @Test
    void aReadOnlyDeviceIsCopiedByteForByte() throws IOException {
        try (LoopDevice loop = LoopDevice.over(disk, true);
                Source source = Sources.open(loop.node().toString())) {
            assertThat(source.size()).isEqualTo(SIZE);
            assertThat(run(source, CareProfile.AGEING).finished()).isTrue();
            assertThat(Files.mismatch(image, disk)).isEqualTo(-1);
            byte[] odd = new byte[700];
            assertThat(source.read(1000, odd, 0, 700).isClean())
                    .as("a request that is no multiple of anything")
                    .isTrue();
            assertThat(odd).isEqualTo(Arrays.copyOfRange(content, 1000, 1700));
        }
    }

    @Test
    void aWritableDeviceNeedsADecision() throws IOException {
        try (LoopDevice loop = LoopDevice.over(disk, false)) {
            assertThatThrownBy(() -> Sources.open(loop.node().toString()))
                    .isInstanceOf(SourceException.WriteBlockNeeded.class)
                    .hasMessageContaining("write-block decision");
            try (Source source = Sources.open(loop.node().toString(), new WriteBlock("a test"))) {
                assertThat(run(source, CareProfile.HEALTHY).finished()).isTrue();
            }
        }
        assertThat(Files.readAllBytes(disk)).isEqualTo(content);
    }

    /** The kernel answers with an error of its own where the file behind the device has ended. */
    @Test
    void whatTheKernelCannotReadIsUnreadAndAllElseIsThere() throws IOException {
        try (LoopDevice loop = LoopDevice.over(disk, true);
                Source source = Sources.open(loop.node().toString())) {
            int kept = SIZE - (256 << 10) + 4096;
            try (RandomAccessFile cut = new RandomAccessFile(disk.toFile(), "rw")) {
                cut.setLength(kept);
            }
            ImagingResult result = run(source, CareProfile.AGEING);
            assertThat(result.finished()).isTrue();
            assertThat(result.failedBytes()).isEqualTo(SIZE - kept);
            assertThat(MapJournal.load(MapJournal.beside(image)).map().ranges(BlockState.FAILED))
                    .containsExactly(new Range(kept, SIZE - kept));
            byte[] expected = Arrays.copyOf(Arrays.copyOf(content, kept), SIZE);
            assertThat(Files.readAllBytes(image)).isEqualTo(expected);
        }
    }

    @Test
    void aPartitionAndItsDiskAreOneDevice() throws IOException {
        ByteBuffer mbr = ByteBuffer.wrap(content).order(ByteOrder.LITTLE_ENDIAN);
        Arrays.fill(content, 446, 512, (byte) 0);
        mbr.put(450, (byte) 0x83).putInt(454, 2048).putInt(458, 8192).putShort(510, (short) 0xaa55);
        Files.write(disk, content);
        try (LoopDevice loop = LoopDevice.over(disk, true)) {
            Path node = loop.partition(1, 2048, 8192, elsewhere);
            try (Source whole = Sources.open(loop.node().toString());
                    Source part = Sources.open(node.toString())) {
                assertThat(part.size()).isEqualTo(8192 * 512);
                assertThat(part.lockKey()).isEqualTo(whole.lockKey());
                assertThatThrownBy(() -> DestinationGuard.check(part, loop.node()))
                        .isInstanceOf(SourceException.class)
                        .hasMessageContaining("same physical device");
                run(part, CareProfile.HEALTHY);
                assertThat(Files.readAllBytes(image))
                        .isEqualTo(Arrays.copyOfRange(content, 2048 * 512, 2048 * 512 + 8192 * 512));
            }
            assertThat(station(loop).partitions()).containsExactly(loop.node() + "p1");
        }
    }

    /** The same node, another drive: what was begun is not gone on with. */
    @Test
    void theWrongDriveAtTheSameNodeIsRefused() throws IOException {
        try (LoopDevice loop = LoopDevice.over(disk, true);
                Source source = Sources.open(loop.node().toString())) {
            int[] asked = new int[1];
            new Imager(source, image, MapJournal.beside(image), CareProfile.FAILING, new ImagingListener() {})
                    .run(() -> asked[0]++ >= 5);
        }
        Path other = Files.write(folder.resolve("other.bin"), Arrays.copyOf(content, SIZE - (1 << 20)));
        byte[] before = Files.readAllBytes(image);
        try (LoopDevice loop = LoopDevice.over(other, true);
                Source source = Sources.open(loop.node().toString())) {
            assertThatThrownBy(() -> run(source, CareProfile.FAILING))
                    .isInstanceOf(SourceException.class)
                    .hasMessageContaining("another device");
        }
        assertThat(Files.readAllBytes(image)).isEqualTo(before);
    }

    @Test
    void anImageIsNeverWrittenToTheDeviceThatItIsReadFrom() throws IOException {
        Path mount = Files.createDirectory(folder.resolve("mount"));
        try (LoopDevice loop = LoopDevice.over(disk, false)) {
            mount(loop, mount);
            try (Source source = Sources.open(loop.node().toString(), new WriteBlock("a test"))) {
                image = mount.resolve("out.img");
                assertThatThrownBy(() -> run(source, CareProfile.HEALTHY))
                        .isInstanceOf(SourceException.class)
                        .hasMessageContaining("same physical device");
                assertThat(image).doesNotExist();
                assertThat(station(loop).inUse()).contains("is mounted at");
            } finally {
                LoopDevice.run("umount", mount.toString());
            }
            assertThat(station(loop).isOffered()).isTrue();
        }
    }

    @Test
    void aRealDiskThatFillsUpPausesAndGoesOnWhenThereIsRoom() throws IOException {
        Path mount = Files.createDirectory(folder.resolve("mount"));
        try (LoopDevice loop = LoopDevice.over(disk, false)) {
            mount(loop, mount);
            try {
                image = mount.resolve("out.img");
                byte[] medium = Arrays.copyOf(content, 4 << 20);
                Path crowd = mount.resolve("crowd.bin");
                ImagingListener filler = new ImagingListener() {
                    @Override
                    public void stepped(ReadMap map, Planner.Step step, long nanos) {
                        try {
                            if (!Files.exists(crowd)) {
                                Files.write(
                                        crowd,
                                        new byte
                                                [(int) Math.max(
                                                        0,
                                                        Files.getFileStore(mount)
                                                                        .getUsableSpace()
                                                                - (1 << 20))]);
                            }
                        } catch (IOException e) {
                            throw new UncheckedIOException(e);
                        }
                    }
                };
                assertThatThrownBy(() -> new Imager(
                                        new FaultySource(medium),
                                        image,
                                        MapJournal.beside(image),
                                        CareProfile.FAILING,
                                        filler)
                                .run(() -> false))
                        .isInstanceOf(DestinationFull.class);
                long kept = KillTest.assertTruthful(MapJournal.beside(image), image, medium);
                assertThat(kept).isLessThan(medium.length);
                Files.delete(crowd);
                assertThat(run(new FaultySource(medium), CareProfile.FAILING).finished())
                        .isTrue();
                assertThat(Files.readAllBytes(image)).isEqualTo(medium);
            } finally {
                LoopDevice.run("umount", mount.toString());
            }
        }
    }

    @Test
    void aDeviceIsSeenWhenItComesAndWhenItGoes() throws IOException {
        LoopDevice loop = LoopDevice.over(disk, true);
        AttachedDisk seen = station(loop);
        assertThat(seen.readOnly()).isTrue();
        assertThat(seen.identity().size()).isEqualTo(SIZE);
        assertThat(seen.isOffered()).isTrue();
        loop.close();
        assertThat(AttachedDisks.now())
                .extracting(AttachedDisk::node)
                .doesNotContain(loop.node().toString());
    }

    private static AttachedDisk station(LoopDevice loop) throws IOException {
        List<AttachedDisk> disks = AttachedDisks.now();
        return disks.stream()
                .filter(d -> d.node().equals(loop.node().toString()))
                .findFirst()
                .orElseThrow(() -> new AssertionError("not seen: " + disks));
    }

    private static void mount(LoopDevice loop, Path at) throws IOException {
        LoopDevice.Said made = LoopDevice.run("mkfs.ext4", "-q", loop.node().toString());
        LoopDevice.Said mounted = LoopDevice.run("mount", loop.node().toString(), at.toString());
        assumeTrue(
                made.exit() == 0 && mounted.exit() == 0,
                "NOT TESTED: this machine does not mount a loop device (" + made.text() + mounted.text() + ").");
    }
}
