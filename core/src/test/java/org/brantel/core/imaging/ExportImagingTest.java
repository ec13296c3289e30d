package org.brantel.core.imaging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.brantel.core.bytes.Range;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.MapJournal;
import org.brantel.core.image.ReadMap;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.testing.NbdServer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/** Imaging a drive that a bench box exports, by a real server that fails, leaves and comes back. */
class ExportImagingTest {

    private static final int SIZE = 6 << 20;

    @TempDir
    private Path folder;

    private Path image;
    private Path disk;
    private byte[] content;

    @BeforeEach
    void disk() throws IOException {
        content = new byte[SIZE];
        new Random(41).nextBytes(content);
        disk = Files.write(folder.resolve("disk.bin"), content);
        image = folder.resolve("out.img");
    }

    private ImagingResult run(NbdServer server, ImagingListener listener) throws IOException {
        try (Source source = Sources.open(server.address(""))) {
            return new Imager(source, image, MapJournal.beside(image), CareProfile.FAILING, listener).run(() -> false);
        }
    }

    /** A server that answers requests which touch one stretch with EIO, whatever else they ask for. */
    private NbdServer withABadStretch(long from, long to) throws IOException {
        return NbdServer.start(
                folder,
                "-r",
                "eval",
                "get_size=echo " + SIZE,
                "can_write=exit 3",
                "pread=if [ $4 -lt " + to + " ] && [ $(($4 + $3)) -gt " + from
                        + " ]; then echo EIO bad >&2; exit 1; fi; dd if=" + disk
                        + " bs=65536 iflag=skip_bytes,count_bytes skip=$4 count=$3 status=none");
    }

    @Test
    @Timeout(300)
    void whatTheBoxCannotReadIsUnreadToTheSectorAndAllElseIsThere() throws IOException {
        long from = 2_000_384;
        long to = from + 6 * 512;
        try (NbdServer server = withABadStretch(from, to)) {
            ImagingResult result = run(server, new ImagingListener() {});
            assertThat(result.finished()).isTrue();
            assertThat(MapJournal.load(MapJournal.beside(image)).map().ranges(BlockState.FAILED))
                    .containsExactly(new Range(from, to - from));
            byte[] expected = content.clone();
            Arrays.fill(expected, (int) from, (int) to, (byte) 0);
            assertThat(Files.readAllBytes(image)).isEqualTo(expected);
        }
    }

    @Test
    @Timeout(300)
    void aServerThatComesBackIsGoneOnWithAndOneThatStaysAwayPauses() throws IOException {
        try (NbdServer server = NbdServer.start(folder, "-r", "file", disk.toString())) {
            int[] steps = new int[1];
            ImagingListener unplug = new ImagingListener() {
                @Override
                public void stepped(ReadMap map, Planner.Step step, long nanos) {
                    try {
                        if (++steps[0] == 10) {
                            server.kill();
                            server.startAgain();
                        } else if (steps[0] == 30) {
                            server.kill();
                        }
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                }
            };
            assertThatThrownBy(() -> run(server, unplug)).isInstanceOf(SourceException.Gone.class);
            long kept = KillTest.assertTruthful(MapJournal.beside(image), image, content);
            assertThat(kept).isEqualTo(30L * CareProfile.FAILING.blockBytes());
            server.startAgain();
            assertThat(run(server, new ImagingListener() {}).finished()).isTrue();
            assertThat(Files.readAllBytes(image)).isEqualTo(content);
        }
    }

    @Test
    @Timeout(300)
    void killedWhileItReadsAnExportItGoesOnWithATruthfulMap() throws Exception {
        try (NbdServer server = NbdServer.start(folder, "-r", "--filter=rate", "file", disk.toString(), "rate=16M")) {
            Path map = MapJournal.beside(image);
            Random random = new Random(42);
            long kept = 0;
            int killed = 0;
            for (int i = 0; i < 3; i++) {
                Process child = KillTest.start(server.address(""), image);
                long size = Files.exists(map) ? Files.size(map) : 0;
                KillTest.untilItWrites(child, map, size);
                Thread.sleep(random.nextInt(100));
                killed += child.isAlive() ? 1 : 0;
                child.destroyForcibly().waitFor();
                long now = KillTest.assertTruthful(map, image, content);
                assertThat(now).isGreaterThanOrEqualTo(kept);
                kept = now;
            }
            assertThat(killed).as("kills that hit a running process").isPositive();
            Process last = KillTest.start(server.address(""), image);
            assertThat(last.waitFor(120, TimeUnit.SECONDS)).isTrue();
            assertThat(last.exitValue()).isZero();
            assertThat(Files.readAllBytes(image)).isEqualTo(content);
        }
    }

    @Test
    void anotherDriveUnderTheSameExportIsRefused() throws IOException {
        try (NbdServer server = NbdServer.start(
                        folder,
                        "-r",
                        "--filter=exportname",
                        "file",
                        disk.toString(),
                        "exportdesc=fixed:serial=MD2-77");
                Source source = Sources.open(server.address(""))) {
            int[] asked = new int[1];
            new Imager(source, image, MapJournal.beside(image), CareProfile.FAILING, new ImagingListener() {})
                    .run(() -> asked[0]++ >= 5);
        }
        try (NbdServer server = NbdServer.start(
                folder, "-r", "--filter=exportname", "file", disk.toString(), "exportdesc=fixed:serial=OTHER-1")) {
            assertThatThrownBy(() -> run(server, new ImagingListener() {}))
                    .isInstanceOf(SourceException.class)
                    .hasMessageContaining("MD2-77")
                    .hasMessageContaining("OTHER-1")
                    .hasMessageContaining("another device");
        }
    }
}
