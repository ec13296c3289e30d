package org.brantel.core.firstlook;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;
import org.brantel.core.testing.Corpus;
import org.brantel.core.testing.SimulatedDevice;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FirstLookTest {

    @TempDir
    private Path folder;

    private SimulatedDevice device() {
        return new SimulatedDevice(folder, 8 << 20, 3);
    }

    private static Map<String, String> look(String specification, Identity expected) throws IOException {
        try (Source source = Sources.open(specification)) {
            return FirstLook.at(source, expected).stream()
                    .collect(Collectors.toMap(FirstLook.Seen::code, FirstLook.Seen::value));
        }
    }

    private static Map<String, String> look(SimulatedDevice device, Identity expected) throws IOException {
        return look("sim:" + device.write(), expected);
    }

    @Test
    void aSoundDeviceIsSaidToBeSound() throws IOException {
        assertThat(look(device().serial("S-1"), new Identity("", "", "S-1", 8 << 20)))
                .containsEntry("bench.identity", "matches")
                .containsEntry("bench.capacity", "matches")
                .containsEntry("bench.detected", "yes")
                .containsEntry("bench.read", "clean")
                .containsEntry("bench.filesystem", "none");
    }

    @Test
    void faultsAreCountedGently() throws IOException {
        assertThat(look(device().dead(1 << 20, 200_000), Identity.ofSize(0)))
                .containsEntry("bench.read", "some-errors")
                .doesNotContainKeys("bench.identity", "bench.capacity");
        assertThat(look(device().dead(0, 4 << 20), Identity.ofSize(0)).get("bench.read"))
                .isIn("many-errors", "none");
        assertThat(look(device().dead(0, 8 << 20), Identity.ofSize(0))).containsEntry("bench.read", "none");
    }

    @Test
    void aDeviceThatDropsOutIsNotReadOn() throws IOException {
        assertThat(look(device().dropsOutAfter(5), Identity.ofSize(0)))
                .containsEntry("bench.detected", "comes-and-goes")
                .containsEntry("bench.read", "some-errors")
                .doesNotContainKey("bench.filesystem");
    }

    @Test
    void anotherDeviceIsNoticed() throws IOException {
        assertThat(look(device().serial("S-1"), new Identity("", "", "S-2", 64 << 20)))
                .containsEntry("bench.identity", "differs")
                .containsEntry("bench.capacity", "wrong");
    }

    @Test
    void aFileSystemIsSeen() throws IOException {
        assertThat(look(Corpus.image("d12-fat32-healthy", folder).toString(), Identity.ofSize(0)))
                .containsEntry("bench.filesystem", "sound");
    }
}
