package org.brantel.server.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.util.Arrays;
import java.util.Map;
import org.brantel.core.testing.SimulatedDevice;
import org.brantel.server.testing.BenchDevices;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class BenchTest {

    private final Lab lab = Lab.open();

    private static CaseForms form() {
        return new CaseForms().told("loss.event", "deleted-directly");
    }

    private SimulatedDevice sim(int bytes) throws IOException {
        return BenchDevices.device(lab, bytes);
    }

    @Test
    void identityIsComparedFirstAndAnotherDeviceNeedsADecision() throws IOException {
        String key = BenchDevices.put(lab, "identity", sim(1 << 20).serial("OTHER-SERIAL"));
        Story story = Story.of(form().device("serial", "MINE-1").device("capacity", "1 MiB"))
                .decided();
        JsonNode check = story.una
                .get(story.path("/bench/identity?medium=" + key))
                .expect(200)
                .json();
        assertThat(check.get("lines").get(0).get("verdict").asString()).isEqualTo("DIFFERS");
        assertThat(check.get("lines").get(2).get("verdict").asString()).isEqualTo("EQUAL");
        JsonNode refused = story.una
                .post(story.path("/bench/attachment"), Map.of("medium", key))
                .expect(400)
                .json();
        assertThat(refused.get("detail").asString())
                .contains("not the device of the case by its serial")
                .contains("nothing is read until");
        assertThat(story.una
                        .post(story.path("/imaging"), Map.of("profile", "healthy"))
                        .expect(409)
                        .sentence())
                .contains("No medium is attached");
        story.una
                .post(
                        story.path("/bench/attachment"),
                        Map.of("medium", key, "decision", "The label is the enclosure's."))
                .expect(201);
        assertThat(story.una.get(story.path("/custody")).text())
                .contains("although its identity differs")
                .contains("The label is the enclosure");
    }

    @Test
    void aFailingDeviceIsReadAroundItsFaultsPausedAndResumed() throws IOException {
        SimulatedDevice faulty = sim(6 << 20).dead(2_097_152, 4096).slow(0, 6 << 20, 250);
        Story story = Story.of(form()).decided().attached(BenchDevices.put(lab, "failing", faulty));
        long id = story.imaging("failing");
        story.una.await(
                story.path("/bench"),
                b -> b.get("sessions").get(0).get("readBytes").asLong() > 500_000);
        story.una.post("/api/imaging/" + id + "/pause").expect(200);
        JsonNode paused = story.awaitImaging("paused");
        long read = paused.get("readBytes").asLong();
        assertThat(read).isPositive().isLessThan(6 << 20);
        assertThat(paused.get("cells").asString()).contains(".").contains("r");
        assertThat(story.una.post("/api/imaging/" + id + "/pause").expect(409).sentence())
                .contains("nothing to pause");
        assertThat(lab.as("tom").get("/api/desk?listed=1000").text()).contains("Go on reading?");
        story.una.post("/api/imaging/" + id + "/resume").expect(200);
        JsonNode done = story.awaitImaging("done");
        assertThat(done.get("failedBytes").asLong()).isEqualTo(4096);
        assertThat(done.get("failedPlaces").asInt()).isEqualTo(1);
        assertThat(done.get("cells").asString()).contains("f");
        byte[] expected = faulty.content().clone();
        Arrays.fill(expected, 2_097_152, 2_101_248, (byte) 0);
        assertThat(Files.readAllBytes(story.lab
                        .home()
                        .resolve("images")
                        .resolve(story.number)
                        .resolve(done.get("image").asString())))
                .isEqualTo(expected);
        String lens = story.una
                .get("/api/imaging/" + id + "/lens?from=2093056&length=16384")
                .expect(200)
                .json()
                .get("cells")
                .asString();
        assertThat(lens).matches("r+f+r+");
        story.una.get("/api/imaging/" + id + "/lens?from=99999999999&length=1").expect(400);
        assertThat(story.una.post("/api/imaging/" + id + "/resume").expect(409).sentence())
                .contains("nothing to resume");
    }

    @Test
    void aDeviceThatDropsOutPausesItsSessionAndGoesOnWhenItIsBack() throws IOException {
        SimulatedDevice device = sim(2 << 20).dropsOutAfter(12);
        Story story = Story.of(form()).decided().attached(BenchDevices.put(lab, "dropout", device));
        long id = story.imaging("failing");
        JsonNode paused = story.awaitImaging("paused");
        assertThat(paused.get("trouble").asString()).contains("went away").contains("Nothing that was read is lost");
        assertThat(paused.get("readBytes").asLong()).isEqualTo(12 * 65536);
        for (int plugged = 0;
                plugged < 4 && !story.session().get("state").asString().equals("done");
                plugged++) {
            story.una.post("/api/imaging/" + id + "/resume").expect(200);
            story.una.await(
                    story.path("/bench"),
                    b -> !b.get("sessions").get(0).get("state").asString().matches("waiting|running"));
        }
        JsonNode done = story.awaitImaging("done");
        assertThat(Files.readAllBytes(story.lab
                        .home()
                        .resolve("images")
                        .resolve(story.number)
                        .resolve(done.get("image").asString())))
                .isEqualTo(device.content());
    }

    @Test
    void thereIsNeverASecondSessionOnOneDevice() throws IOException {
        Story story = Story.of(form())
                .decided()
                .attached(BenchDevices.put(lab, "alone", sim(4 << 20).slow(0, 4 << 20, 300)));
        story.imaging("failing");
        assertThat(story.una
                        .post(story.path("/imaging"), Map.of("profile", "healthy"))
                        .expect(409)
                        .sentence())
                .contains("never a second session");
        assertThat(story.una
                        .post(story.path("/bench/attachment"), Map.of("medium", "sim/alone"))
                        .expect(409)
                        .sentence())
                .contains("pause that session");
        // Depends on whether the session has begun to write.
        assertThat(story.una
                        .post(story.path("/scans"), Map.of("method", "both"))
                        .expect(409)
                        .sentence())
                .containsAnyOf("no image", "still being written");
        story.awaitImaging("done");
    }

    @Test
    void mediaOutsideTheTwoFoldersCannotBeNamed() throws IOException {
        Files.writeString(lab.home().resolve("secret.img"), "secret");
        Story story = Story.of(form()).decided();
        for (String key : new String[] {
            "inbox/../secret.img", "inbox/..", "inbox//etc/passwd", "/etc/passwd", "sim/../secret", "", "inbox/.hidden"
        }) {
            assertThat(story.una
                            .post(story.path("/bench/attachment"), Map.of("medium", key))
                            .status())
                    .as(key)
                    .isIn(400, 404);
        }
        assertThat(story.una
                        .post(story.path("/bench/attachment"), Map.of("medium", "inbox/gone.img"))
                        .expect(404)
                        .sentence())
                .contains("no longer there");
    }

    @Test
    void aBlankImageIsAResult() throws IOException {
        Files.write(lab.inbox().resolve("blank.img"), new byte[1 << 20]);
        Story story = Story.of(form()).imaged("inbox/blank.img").scanned("both");
        JsonNode page = story.una.get(story.path("/catalogue")).json();
        assertThat(page.get("all").asInt()).isZero();
        assertThat(story.una.post(story.path("/recovery")).expect(409).sentence())
                .contains("Nothing is selected");
        assertThat(story.una.post(story.path("/deliveries")).expect(409).sentence())
                .contains("no finished recovery run");
    }

    @Test
    void anEmptyFileInTheInboxIsNotOffered() throws IOException {
        Files.write(lab.inbox().resolve("empty.img"), new byte[0]);
        Files.write(lab.inbox().resolve("there.img"), new byte[4096]);
        String media = lab.as("tom")
                .get("/api/bench")
                .expect(200)
                .json()
                .get("stations")
                .toString();
        assertThat(media).contains("inbox/there.img").doesNotContain("inbox/empty.img");
    }

    @Test
    void anUnknownProfileIsRefused() {
        Story story = Story.ofD01().decided().attached("inbox/d01-fat16.img");
        assertThat(story.una
                        .post(story.path("/imaging"), Map.of("profile", "rough"))
                        .expect(400)
                        .sentence())
                .contains("There is no care profile 'rough'");
        assertThat(story.una.post("/api/imaging/999999/pause").expect(404).sentence())
                .contains("no imaging session 999999");
    }
}
