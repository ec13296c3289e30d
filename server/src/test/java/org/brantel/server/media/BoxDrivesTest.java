package org.brantel.server.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.brantel.core.source.Identity;
import org.brantel.core.testing.NbdServer;
import org.brantel.server.settings.LabSettings;
import org.brantel.server.testing.SettableClock;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What boxes export, as it comes and goes. */
class BoxDrivesTest {

    private static final String DRIVE = "Box 4/bay2";

    @TempDir
    Path folder;

    private final SettableClock clock = new SettableClock(Instant.parse("2026-11-28T10:00:00Z"));
    private final LabSettings settings = mock(LabSettings.class);
    private final BoxDrives drives = new BoxDrives(settings, clock);

    private void box(int port) {
        when(settings.bench())
                .thenReturn(new LabSettings.BenchRules(
                        0,
                        "00:00",
                        "00:00",
                        30,
                        List.of(new LabSettings.Box("Box 4", "nbd://127.0.0.1:" + port)),
                        false,
                        null));
    }

    /** A box that was listed a moment before it went off is not back because that list still holds it. */
    @Test
    void aDriveIsBackOnceItIsSeenAfterItVanished() throws IOException {
        Path disk = Files.write(folder.resolve("disk.bin"), new byte[1 << 20]);
        try (NbdServer server = NbdServer.start(
                folder,
                "-r",
                "--filter=exportname",
                "file",
                disk.toString(),
                "exportname-list=explicit",
                "exportname=bay2",
                "exportdesc=fixed:serial=MD2-78")) {
            box(server.port());
            drives.look();
            assertThat(drives.now()).extracting(Medium::key).containsExactly("box/" + DRIVE);
            Identity was = drives.now().get(0).identity();

            clock.pass(Duration.ofSeconds(1));
            server.kill();
            Instant vanished = clock.instant();
            assertThat(drives.isBack(DRIVE, was, vanished, clock.instant())).isFalse();

            clock.pass(Duration.ofSeconds(1));
            drives.look();
            assertThat(drives.silent()).extracting(BoxDrives.Silent::box).containsExactly("Box 4");
            assertThat(drives.isBack(DRIVE, was, vanished, clock.instant())).isFalse();

            server.startAgain();
            clock.pass(Duration.ofSeconds(1));
            drives.look();
            assertThat(drives.isBack(DRIVE, was, vanished, clock.instant())).isTrue();
            assertThat(drives.isBack(DRIVE, new Identity("", "", "MD2-79", 1 << 20), vanished, clock.instant()))
                    .isFalse();
        }
    }
}
