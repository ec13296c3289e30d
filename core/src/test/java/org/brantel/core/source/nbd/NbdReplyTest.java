package org.brantel.core.source.nbd;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.brantel.core.testing.ScriptedNbdServer.chunk;
import static org.brantel.core.testing.ScriptedNbdServer.data;
import static org.brantel.core.testing.ScriptedNbdServer.errorAt;
import static org.brantel.core.testing.ScriptedNbdServer.joined;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Random;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.testing.ScriptedNbdServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** Replies that a real server makes seldom, and such as it must never make. */
class NbdReplyTest {

    private static byte[] filled(int length) {
        byte[] bytes = new byte[length];
        Arrays.fill(bytes, (byte) 7);
        return bytes;
    }

    @Test
    void anErrorWithItsPlaceNamesTheSectorAndKeepsWhatCameBeforeIt() throws IOException {
        try (ScriptedNbdServer server = new ScriptedNbdServer(
                        1 << 20,
                        (cookie, offset, length) -> joined(
                                chunk(false, 1, cookie, data(offset, filled(1024))),
                                chunk(true, 0x8002, cookie, errorAt(5, "bad", offset + 1100))));
                Source source = Sources.open(server.address())) {
            byte[] buffer = new byte[4096];
            ReadOutcome outcome = source.read(8192, buffer, 0, 4096);
            assertThat(outcome.named()).containsExactly(new Range(8192 + 1024, 512));
            assertThat(outcome.failed()).containsExactly(new Range(8192 + 1024, 3072));
            assertThat(Arrays.copyOf(buffer, 1024)).containsOnly(7);
            assertThat(Arrays.copyOfRange(buffer, 1024, 4096)).containsOnly(0);
        }
    }

    @Test
    void chunksComeInAnyOrderAndHolesAreZeros() throws IOException {
        try (ScriptedNbdServer server = new ScriptedNbdServer(
                        1 << 20,
                        (cookie, offset, length) -> joined(
                                chunk(false, 1, cookie, data(offset + 1536, filled(512))),
                                chunk(
                                        false,
                                        2,
                                        cookie,
                                        java.nio.ByteBuffer.allocate(12)
                                                .putLong(offset + 512)
                                                .putInt(1024)
                                                .array()),
                                chunk(true, 1, cookie, data(offset, filled(512)))));
                Source source = Sources.open(server.address())) {
            byte[] buffer = filled(2048);
            assertThat(source.read(0, buffer, 0, 2048).isClean()).isTrue();
            assertThat(Arrays.copyOfRange(buffer, 512, 1536)).containsOnly(0);
            assertThat(Arrays.copyOfRange(buffer, 1536, 2048)).containsOnly(7);
        }
    }

    @Test
    @Timeout(60)
    void aServerThatLiesIsLeftWithASentence() throws IOException {
        ScriptedNbdServer.Answer[] lies = {
            (cookie, offset, length) -> chunk(true, 1, cookie, data(offset + length, filled(512))),
            (cookie, offset, length) -> chunk(true, 1, cookie, data(offset, filled(length + 512))),
            (cookie, offset, length) -> chunk(true, 1, cookie, data(offset, filled(length - 512))),
            (cookie, offset, length) -> chunk(true, 1, cookie + 1, data(offset, filled(length))),
            (cookie, offset, length) -> chunk(true, 0x8002, cookie, new byte[14]),
            (cookie, offset, length) -> chunk(true, 77, cookie, new byte[8]),
            (cookie, offset, length) -> new byte[] {1, 2, 3, 4},
            (cookie, offset, length) -> null,
        };
        for (ScriptedNbdServer.Answer lie : lies) {
            try (ScriptedNbdServer server = new ScriptedNbdServer(1 << 20, lie);
                    Source source = Sources.open(server.address())) {
                assertThatThrownBy(() -> source.read(4096, new byte[4096], 0, 4096))
                        .isInstanceOf(SourceException.Gone.class)
                        .hasMessageContaining("went away");
                assertThat(server.connections())
                        .as("tried anew, but not for ever")
                        .isEqualTo(3);
            }
        }
    }

    @Test
    void anotherDeviceUnderTheSameNameIsNotReadOn() throws IOException {
        boolean[] hangUp = {false};
        try (ScriptedNbdServer server = new ScriptedNbdServer(
                        1 << 20,
                        (cookie, offset, length) ->
                                hangUp[0] ? null : chunk(true, 1, cookie, data(offset, filled(length))));
                Source source = Sources.open(server.address())) {
            assertThat(source.read(0, new byte[512], 0, 512).isClean()).isTrue();
            server.size(2 << 20);
            hangUp[0] = true;
            assertThatThrownBy(() -> source.read(0, new byte[512], 0, 512))
                    .isInstanceOf(SourceException.Gone.class)
                    .hasMessageContaining("another device");
        }
    }

    @Test
    @Timeout(120)
    void anyHandshakeEndsInASentence() throws IOException {
        Random random = new Random(8);
        byte[] sound = joined("NBDMAGICIHAVEOPT".getBytes(StandardCharsets.US_ASCII), new byte[] {0, 3}, new byte[64]);
        for (int i = 0; i < 60; i++) {
            byte[] greeting = sound.clone();
            for (int k = 0; k < 6; k++) {
                greeting[(i % 2 == 0 ? 18 : 0) + random.nextInt(i % 2 == 0 ? 64 : 18)] = (byte) random.nextInt(256);
            }
            try (ScriptedNbdServer server = new ScriptedNbdServer(1, null).greetsWith(greeting)) {
                assertThatThrownBy(() -> Sources.open(server.address()).close()).isInstanceOf(SourceException.class);
            }
        }
    }
}
