package org.brantel.core.imaging;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.awaitility.Awaitility;
import org.brantel.core.bytes.Range;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.MapJournal;
import org.brantel.core.testing.SimulatedDevice;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/** Kills the imaging process at many moments: nothing read is lost and nothing unread is called read. */
class KillTest {

    private static final int KILLS = 10;

    @TempDir
    private Path folder;

    @Test
    @Timeout(900)
    void killedAtAnyMomentItGoesOnWithATruthfulMap() throws Exception {
        SimulatedDevice device = new SimulatedDevice(folder, 12 << 20, 9)
                .dead(1_000_448, 8192)
                .dead(5_000_192, 1024)
                .slow(0, 12 << 20, 300);
        String source = "sim:" + device.write();
        Path image = folder.resolve("out.img");
        Path map = MapJournal.beside(image);
        Random random = new Random(10);
        long kept = 0;
        int killed = 0;
        for (int i = 0; i < KILLS; i++) {
            Process child = start(source, image);
            // A moment that depends on what is on the disk, so that each run gets somewhere, and a little beyond it.
            long size = Files.exists(map) ? Files.size(map) : 0;
            untilItWrites(child, map, size);
            Thread.sleep(random.nextInt(120));
            boolean wasAlive = child.isAlive();
            child.destroyForcibly().waitFor();
            killed += wasAlive ? 1 : 0;
            long now = assertTruthful(map, image, device.content());
            assertThat(now).as("bytes known to be read after kill %d", i).isGreaterThanOrEqualTo(kept);
            kept = now;
        }
        assertThat(killed).as("kills that hit a running process").isGreaterThanOrEqualTo(5);
        Process last = start(source, image);
        assertThat(last.waitFor(300, TimeUnit.SECONDS)).isTrue();
        assertThat(last.exitValue())
                .as(new String(last.getErrorStream().readAllBytes(), StandardCharsets.UTF_8))
                .isZero();
        byte[] expected = device.content().clone();
        Arrays.fill(expected, 1_000_448, 1_008_640, (byte) 0);
        Arrays.fill(expected, 5_000_192, 5_001_216, (byte) 0);
        assertThat(Files.readAllBytes(image)).isEqualTo(expected);
        assertThat(MapJournal.load(map).map().bytes(BlockState.FAILED)).isEqualTo(8192 + 1024);
    }

    /** Waits until a child has written on, or ended. */
    static void untilItWrites(Process child, Path map, long before) {
        Awaitility.await("the map to grow")
                .atMost(Duration.ofMinutes(5))
                .pollDelay(Duration.ZERO)
                .pollInterval(Duration.ofMillis(5))
                .until(() -> !child.isAlive() || Files.exists(map) && Files.size(map) != before);
    }

    static Process start(String source, Path image) throws IOException {
        return new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xmx128m",
                        "-cp",
                        System.getProperty("java.class.path"),
                        ImagingChild.class.getName(),
                        source,
                        image.toString())
                .start();
    }

    /** @return bytes that the map calls read */
    static long assertTruthful(Path map, Path image, byte[] content) throws IOException {
        if (!Files.exists(map) || Files.size(map) == 0) {
            return 0;
        }
        var loaded = MapJournal.load(map).map();
        byte[] held = Files.readAllBytes(image);
        for (Range read : loaded.ranges(BlockState.READ)) {
            assertThat(held.length).isGreaterThanOrEqualTo((int) read.end());
            assertThat(Arrays.equals(held, (int) read.offset(), (int) read.end(), content, (int) read.offset(), (int)
                            read.end()))
                    .as("%s is called read", read)
                    .isTrue();
        }
        return loaded.bytes(BlockState.READ);
    }
}
