package org.brantel.core.source;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.brantel.core.opening.Sources;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Whether a medium is the one that is meant. */
class ExpectedTest {

    @TempDir
    Path folder;

    private static final Identity WITH_SERIAL = new Identity("Fen", "F1", "F-100", 4096);
    private static final Identity WITHOUT = new Identity("Fen", "F1", "", 4096);

    /** A medium that says what a test wants. */
    private static final class Says extends ForwardingSource {
        private final Identity identity;
        private final String presence;

        Says(Source bytes, Identity identity, String presence) {
            super(bytes);
            this.identity = identity;
            this.presence = presence;
        }

        @Override
        public Identity identity() {
            return identity;
        }

        @Override
        public String presence() {
            return presence;
        }
    }

    private void confirms(Identity was, String wasComing, Identity is, String isComing) throws IOException {
        Path file = Files.write(folder.resolve("medium"), new byte[512]);
        try (Source source = new Says(Sources.open(file.toString()), is, isComing)) {
            new Expected(was, wasComing).confirm(source);
        }
    }

    @Test
    void theSerialDecidesWhereBothSidesGiveOne() {
        assertThatCode(() -> confirms(WITH_SERIAL, "boot/1", new Identity("Bridge", "USB", "f-100", 4096), "boot/2"))
                .doesNotThrowAnyException();
        assertThatThrownBy(() -> confirms(WITH_SERIAL, "", new Identity("Fen", "F1", "F-101", 4096), ""))
                .isInstanceOf(SourceException.Another.class)
                .hasMessageContaining("serial F-101 instead of F-100");
    }

    @Test
    void anotherSizeIsAnotherMediumWhateverItSays() {
        assertThatThrownBy(() -> confirms(WITH_SERIAL, "", new Identity("Fen", "F1", "F-100", 8192), ""))
                .hasMessageContaining("size 8192 bytes instead of 4096");
    }

    @Test
    void withoutASerialModelMakeAndComingMustAgree() {
        assertThatCode(() -> confirms(WITHOUT, "boot/7", WITHOUT, "boot/7")).doesNotThrowAnyException();
        assertThatThrownBy(() -> confirms(WITHOUT, "boot/7", new Identity("Fen", "F2", "", 4096), "boot/7"))
                .hasMessageContaining("model F2 instead of F1");
        assertThatThrownBy(() -> confirms(WITHOUT, "boot/7", WITHOUT, "boot/8"))
                .hasMessageContaining("taken out and put in");
    }

    @Test
    void whatOneSideDoesNotSayIsNotCompared() {
        assertThatCode(() -> confirms(WITHOUT, "boot/7", Identity.ofSize(4096), "later/1"))
                .doesNotThrowAnyException();
        assertThatCode(() -> confirms(Identity.ofSize(4096), "", WITH_SERIAL, "boot/9"))
                .doesNotThrowAnyException();
    }

    @Test
    void aFileThatWasReplacedIsAnother() throws IOException {
        Path file = Files.write(folder.resolve("card.img"), new byte[512]);
        Expected expected;
        try (Source source = Sources.open(file.toString())) {
            expected = Expected.of(source);
            expected.confirm(source);
        }
        Files.move(Files.write(folder.resolve("other.img"), new byte[512]), folder.resolve("kept.img"));
        Files.delete(file);
        Files.move(folder.resolve("kept.img"), file);
        try (Source source = Sources.open(file.toString())) {
            assertThatThrownBy(() -> expected.confirm(source)).isInstanceOf(SourceException.Another.class);
        }
    }
}
