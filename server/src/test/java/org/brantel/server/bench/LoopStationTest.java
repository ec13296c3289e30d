package org.brantel.server.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Random;
import org.brantel.core.hash.Hashes;
import org.brantel.core.testing.LoopDevice;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A real block device at a station. Skipped, and said so, where there are no loop devices. */
class LoopStationTest {

    private final Lab lab = Lab.open();
    private Path file;
    private byte[] content;

    @BeforeEach
    void disk() throws IOException {
        // In memory: on a disk, the image would lie on the same physical device as the source.
        Path memory = Path.of("/dev/shm");
        assumeTrue(Files.isWritable(memory), "NOT TESTED: this machine has no /dev/shm.");
        content = new byte[2 << 20];
        new Random(9).nextBytes(content);
        file = Files.write(Files.createTempFile(memory, "brantel", ".disk"), content);
    }

    @AfterEach
    void clear() throws IOException {
        if (file != null) {
            Files.delete(file);
        }
    }

    private Story story() {
        return Story.of(new CaseForms().told("loss.event", "deleted-directly")).decided();
    }

    private static boolean shows(JsonNode bench, LoopDevice loop) {
        return bench.get("stations").toString().contains(loop.node().toString());
    }

    @Test
    void comesIsReadAndGoes() throws IOException {
        LoopDevice loop = LoopDevice.over(file, true);
        try {
            lab.as("tom").await("/api/bench", b -> shows(b, loop));
            Story story = story().attached("disk/" + loop.node().getFileName());
            story.imaging("ageing");
            assertThat(story.awaitImaging("done").get("sha256").asString())
                    .isEqualTo(Hashes.sha256Hex(content, 0, content.length));
        } finally {
            loop.close();
        }
        lab.as("tom").await("/api/bench", b -> !shows(b, loop));
    }

    @Test
    void whatCouldBeWrittenToIsReadOnlyAfterADecision() throws IOException {
        try (LoopDevice loop = LoopDevice.over(file, false)) {
            Story story = story();
            Map<String, String> attach = Map.of("medium", "disk/" + loop.node().getFileName());
            assertThat(story.una
                            .post(story.path("/bench/attachment"), attach)
                            .expect(400)
                            .sentence())
                    .contains("write-block decision");
            story.una
                    .post(
                            story.path("/bench/attachment"),
                            Map.of("medium", attach.get("medium"), "writeBlock", "The blocker is broken."))
                    .expect(201);
            assertThat(story.una.get(story.path("/custody")).text())
                    .contains("write-block decision: The blocker is broken.");
            story.imaging("healthy");
            story.awaitImaging("done");
        }
        assertThat(Files.readAllBytes(file)).isEqualTo(content);
    }

    /** Another disk under the same node, put in between attaching and reading. */
    @Test
    void aDiskThatWasSwappedUnderTheSameNodeIsNotRead() throws IOException {
        Path other =
                Files.write(Files.createTempFile(Path.of("/dev/shm"), "brantel", ".disk"), new byte[content.length]);
        LoopDevice loop = LoopDevice.over(file, true);
        try {
            Story story = story().attached("disk/" + loop.node().getFileName());
            loop.close();
            loop = LoopDevice.at(loop.node(), other);
            story.imaging("healthy");
            JsonNode session = story.awaitImaging("paused");
            assertThat(session.get("trouble").asString()).contains("is another device than the one that is meant");
            assertThat(session.get("readBytes").asLong()).isZero();
            assertThat(story.una.get(story.path("/custody")).text())
                    .contains("did not image: another device stands in its place");
        } finally {
            loop.close();
            Files.delete(other);
        }
    }

    /** Equal in everything that it says of itself: only the kernel knows that it came a second time. */
    @Test
    void aDiskWithoutASerialThatWasOutIsReadOnlyAfterSomebodyAttachesItAgain() throws IOException {
        LoopDevice loop = LoopDevice.over(file, true);
        try {
            Story story = story().attached("disk/" + loop.node().getFileName());
            loop.close();
            loop = LoopDevice.at(loop.node(), file);
            story.imaging("healthy");
            assertThat(story.awaitImaging("paused").get("trouble").asString()).contains("taken out and put in");
            story.attached("disk/" + loop.node().getFileName());
            story.imaging("healthy");
            assertThat(story.awaitImaging("done").get("sha256").asString())
                    .isEqualTo(Hashes.sha256Hex(content, 0, content.length));
        } finally {
            loop.close();
        }
    }
}
