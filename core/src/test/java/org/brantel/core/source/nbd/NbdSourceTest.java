package org.brantel.core.source.nbd;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.WriteBlock;
import org.brantel.core.testing.NbdServer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Against a real server. */
class NbdSourceTest {

    private static final int SIZE = 3 << 20;

    @TempDir
    private Path folder;

    private byte[] content;
    private Path disk;

    @BeforeEach
    void content() throws IOException {
        content = new byte[SIZE + 512];
        new Random(3).nextBytes(content);
        disk = Files.write(folder.resolve("disk.img"), content);
    }

    @Test
    void readsWhatIsExported() throws IOException {
        try (NbdServer server = NbdServer.start(folder, "-r", "file", disk.toString());
                Source source = Sources.open(server.address(""))) {
            assertThat(source.size()).isEqualTo(content.length);
            byte[] all = new byte[content.length];
            assertThat(source.read(0, all, 0, all.length).isClean()).isTrue();
            assertThat(all).isEqualTo(content);
            byte[] odd = new byte[1000];
            assertThat(source.read(777, odd, 10, 900).isClean()).isTrue();
            assertThat(Arrays.copyOfRange(odd, 10, 910)).isEqualTo(Arrays.copyOfRange(content, 777, 1677));
        }
    }

    @Test
    void listsExportsAndTakesIdentityFromTheirDescription() throws IOException {
        try (NbdServer server = NbdServer.start(
                folder,
                "-r",
                "--filter=exportname",
                "file",
                disk.toString(),
                "exportname-list=explicit",
                "exportname-strict=true",
                "exportname=tide",
                "exportname=gauge",
                "exportdesc=fixed:make=Mossbank; model=Delve 2; serial=MD2-77")) {
            assertThat(NbdSource.exports(NbdAddress.parse(server.address(""))))
                    .extracting(NbdSource.Offer::name)
                    .containsExactlyInAnyOrder("tide", "gauge");
            try (Source source = Sources.open(server.address("tide"))) {
                assertThat(source.identity()).isEqualTo(new Identity("Mossbank", "Delve 2", "MD2-77", content.length));
            }
            assertThatThrownBy(() -> Sources.open(server.address("peat")))
                    .isInstanceOf(SourceException.class)
                    .hasMessageContaining("exports nothing called 'peat'");
        }
    }

    @Test
    void anExportThatMayBeWrittenToNeedsADecision() throws IOException {
        try (NbdServer server = NbdServer.start(folder, "file", disk.toString())) {
            assertThatThrownBy(() -> Sources.open(server.address("")))
                    .isInstanceOf(SourceException.WriteBlockNeeded.class)
                    .hasMessageContaining("write-block decision");
            try (Source source = Sources.open(server.address(""), new WriteBlock("a test"))) {
                assertThat(source.read(0, new byte[512], 0, 512).isClean()).isTrue();
            }
        }
    }

    @Test
    void keepsToTheSizesThatAServerTakes() throws IOException {
        try (NbdServer server = NbdServer.start(
                        folder,
                        "-r",
                        "--filter=blocksize-policy",
                        "file",
                        disk.toString(),
                        "blocksize-minimum=512",
                        "blocksize-preferred=4096",
                        "blocksize-maximum=65536",
                        "blocksize-error-policy=error");
                Source source = Sources.open(server.address(""))) {
            byte[] all = new byte[content.length];
            assertThat(source.read(100, all, 100, content.length - 150).isClean())
                    .isTrue();
            assertThat(Arrays.copyOfRange(all, 100, content.length - 50))
                    .isEqualTo(Arrays.copyOfRange(content, 100, content.length - 50));
        }
    }

    @Test
    void anErrorIsAFaultOfItsRequestAlone() throws IOException {
        try (NbdServer server = NbdServer.start(
                        folder,
                        "-r",
                        "--filter=error",
                        "file",
                        disk.toString(),
                        "error=EIO",
                        "error-pread-rate=100%",
                        "error-file=" + folder.resolve("broken"));
                Source source = Sources.open(server.address(""))) {
            byte[] buffer = new byte[4096];
            assertThat(source.read(0, buffer, 0, 4096).isClean()).isTrue();
            Files.createFile(folder.resolve("broken"));
            ReadOutcome outcome = source.read(4096, buffer, 0, 4096);
            assertThat(outcome.failed()).containsExactly(new Range(4096, 4096));
            assertThat(outcome.named()).isEmpty();
            assertThat(buffer).containsOnly(0);
            Files.delete(folder.resolve("broken"));
            assertThat(source.read(4096, buffer, 0, 4096).isClean())
                    .as("the link has not suffered")
                    .isTrue();
            assertThat(buffer).isEqualTo(Arrays.copyOfRange(content, 4096, 8192));
        }
    }

    @Test
    void aRequestThatOutlastsItsTimeHasFailedAndTheNextIsAnswered() throws IOException {
        try (NbdServer server = NbdServer.start(folder, "-r", "--filter=delay", "file", disk.toString(), "rdelay=3");
                Source source = Sources.open(server.address(""))) {
            source.timeout(1);
            assertThat(source.read(0, new byte[512], 0, 512).failed()).containsExactly(new Range(0, 512));
            source.timeout(30);
            byte[] buffer = new byte[512];
            assertThat(source.read(512, buffer, 0, 512).isClean()).isTrue();
            assertThat(buffer).isEqualTo(Arrays.copyOfRange(content, 512, 1024));
        }
    }

    @Test
    void aLinkThatBreaksIsMadeAnew() throws IOException {
        try (NbdServer server = NbdServer.start(folder, "-r", "file", disk.toString());
                Source source = Sources.open(server.address(""))) {
            byte[] buffer = new byte[512];
            source.read(0, buffer, 0, 512);
            server.kill();
            server.startAgain();
            assertThat(source.read(1024, buffer, 0, 512).isClean()).isTrue();
            assertThat(buffer).isEqualTo(Arrays.copyOfRange(content, 1024, 1536));
            server.kill();
            assertThatThrownBy(() -> source.read(0, buffer, 0, 512))
                    .isInstanceOf(SourceException.Gone.class)
                    .hasMessageContaining("Nothing that was read is lost");
        }
    }

    @Test
    void saysInASentenceWhatIsWrongWithAnAddress() throws IOException {
        assertThatThrownBy(() -> Sources.open("nbd:elsewhere"))
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("nbd://HOST:PORT/NAME");
        assertThatThrownBy(() -> Sources.open("nbd://127.0.0.1:99999/x")).hasMessageContaining("nbd://HOST:PORT/NAME");
        try (NbdServer server = NbdServer.start(folder, "-r", "file", disk.toString())) {
            server.kill();
            assertThatThrownBy(() -> Sources.open(server.address("x")))
                    .isInstanceOf(SourceException.class)
                    .hasMessageContaining("no export server at 127.0.0.1");
        }
    }
}
