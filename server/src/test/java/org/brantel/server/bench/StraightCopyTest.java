package org.brantel.server.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.brantel.core.hash.Hashes;
import org.brantel.core.testing.Corpus;
import org.brantel.core.testing.SimulatedDevice;
import org.brantel.server.testing.BenchDevices;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The files of a sound device are copied without an image of all of it; a device that is not sound ends that. */
class StraightCopyTest {

    private static final String MEDIUM = "d12-fat32-healthy";

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");
    private final Story story = Story.of(new CaseForms().wanted("all their pictures", "image", "", 6));

    private Story on(String path, String medium) {
        int version = una.get(story.path("")).json().get("version").asInt();
        una.post(
                        story.path("/triage/decision"),
                        Map.of("path", path, "reason", "The machine around it is dead.", "version", version))
                .expect(200);
        return story.attached(medium);
    }

    private Visitor.Answer start(String reason) {
        Map<String, String> body = new HashMap<>(Map.of("profile", "healthy"));
        if (reason != null) {
            body.put("files", reason);
        }
        return una.post(story.path("/imaging"), body);
    }

    private static List<Corpus.TrueFile> live() {
        return Corpus.files(MEDIUM).stream()
                .filter(f -> f.state().equals("live"))
                .toList();
    }

    private String custody() {
        return una.get(story.path("/custody")).expect(200).text();
    }

    private JsonNode ask() {
        return una.get(story.path("/questions")).expect(200).json();
    }

    @Test
    void fromTheDeviceToABagWithItsAccount() throws IOException {
        on("straight-copy", BenchDevices.put(lab, "straight", BenchDevices.corpus(lab, MEDIUM)));
        start("Only the files are asked for; the disk is large.").expect(201);
        JsonNode session = story.awaitImaging("done");
        JsonNode files = session.get("files");
        assertThat(files.get("count").asInt()).isGreaterThanOrEqualTo(live().size());
        assertThat(files.get("reason").asString()).contains("the disk is large");
        assertThat(session.get("readBytes").asLong())
                .isEqualTo(files.get("inAll").asLong())
                .isLessThan(session.get("size").asLong() / 4);
        assertThat(session.has("sha256")).as("there is no image of all to hash").isFalse();
        una.await(story.path(""), d -> d.get("stage").asString().equals("selection"));
        JsonNode scan = Story.last(una.get(story.path("/scans")).json());
        assertThat(scan.get("ofFiles").asBoolean()).isTrue();
        assertThat(una.get(story.path("/catalogue?size=200")).json().get("lines"))
                .hasSize(files.get("count").asInt())
                .allMatch(l -> l.get("prognosis").asString().equals("whole"))
                .allMatch(l -> l.get("origins").toString().equals("[\"live\"]"));
        una.post(story.path("/scans"), Map.of("method", "both")).expect(409);
        una.post("/api/imaging/" + session.get("id").asLong() + "/recheck").expect(409);

        story.selectedWhole().recovered();
        story.sealed();
        JsonNode account =
                JsonMapper.shared().readTree(Files.readString(story.bag().resolve("account.json")));
        for (Corpus.TrueFile file : live()) {
            JsonNode line = account.get("files")
                    .valueStream()
                    .filter(l -> Objects.equals(l.get("stood").asString(), "/" + file.path()))
                    .findFirst()
                    .orElseThrow();
            assertThat(line.get("delivered").asString()).isEqualTo("whole");
            assertThat(line.get("device").asString()).isEqualTo("usb stick");
            byte[] bytes =
                    Files.readAllBytes(story.bag().resolve(line.get("path").asString()));
            assertThat(Hashes.sha256Hex(bytes, 0, bytes.length))
                    .isEqualTo(file.sha256())
                    .isEqualTo(line.get("sha256").asString());
        }
        assertThat(custody())
                .contains("files only: Only the files are asked for")
                .contains("finished a straight copy")
                .contains("\"tears\":[]");
    }

    @Test
    void aDeviceThatIsNotSoundStopsItAndIsImagedInstead() throws IOException {
        Corpus.TrueFile bad =
                live().stream().filter(f -> f.size() > 50_000).findFirst().orElseThrow();
        SimulatedDevice device = BenchDevices.corpus(lab, MEDIUM).dead(bad.firstByte() + 4096, 512);
        on("straight-copy", BenchDevices.put(lab, "unsound", device));
        start("Only the files are asked for.").expect(201);
        JsonNode session = story.awaitImaging("paused");
        assertThat(session.get("files").get("unsound").asString()).contains("did not read");
        assertThat(session.get("readBytes").asLong()).isPositive();
        assertThat(una.get(story.path("/catalogue")).json().get("lines"))
                .as("nothing is said of files that were not checked")
                .isEmpty();
        assertThat(una.get(story.path("")).json().get("facts").toString())
                .as("triage knows of it")
                .contains("bench.read", "some-errors");
        JsonNode question = ask().valueStream()
                .filter(q -> q.get("question").asString().equals("Image it instead?"))
                .findFirst()
                .orElseThrow();
        assertThat(question.toString()).contains("did not read", "What was read is kept");
        long id = session.get("id").asLong();
        una.post("/api/imaging/" + id + "/whole").expect(200);
        JsonNode whole = story.awaitImaging("done");
        assertThat(whole.has("files")).isFalse();
        assertThat(whole.get("failedBytes").asLong()).isEqualTo(512);
        assertThat(whole.get("sha256").asString()).hasSize(64);
        una.post("/api/imaging/" + id + "/whole").expect(409);
        story.scanned("structure");
        assertThat(una.get(story.path("/catalogue?size=200")).json().get("lines"))
                .anyMatch(l -> l.get("prognosis").asString().equals("gapped"));
        assertThat(custody()).contains("stopped a straight copy", "images the device instead");
    }

    @Test
    void theRestIsImagedAfterwardsWithoutReadingAnythingTwice() throws IOException {
        SimulatedDevice device = BenchDevices.corpus(lab, MEDIUM);
        on("straight-copy", BenchDevices.put(lab, "rest", device));
        start("The files first; the rest may follow.").expect(201);
        long read = story.awaitImaging("done").get("readBytes").asLong();
        una.await(story.path(""), d -> d.get("stage").asString().equals("selection"));
        start(null).expect(201);
        JsonNode whole = una.await(
                        story.path("/bench"),
                        b -> b.get("sessions").size() == 2
                                && b.get("sessions")
                                        .get(0)
                                        .get("state")
                                        .asString()
                                        .equals("done"))
                .get("sessions")
                .get(0);
        assertThat(whole.get("passes")
                        .valueStream()
                        .mapToLong(p -> p.get("readBytes").asLong())
                        .sum())
                .isEqualTo(device.content().length - read);
        assertThat(whole.get("sha256").asString())
                .isEqualTo(Hashes.sha256Hex(device.content(), 0, device.content().length));
    }

    @Test
    void itTakesADecisionAndAReason() throws IOException {
        String medium = BenchDevices.put(lab, "undecided", BenchDevices.corpus(lab, MEDIUM));
        on("image-then-scan", medium);
        assertThat(start("Quicker.").expect(409).sentence()).contains("recovery path is not a straight copy");
        on("straight-copy", medium);
        assertThat(start("  ").expect(400).sentence()).contains("Write down why");
        assertThat(start("x".repeat(501)).expect(400).sentence()).contains("500");
        start(null).expect(201);
        JsonNode whole = story.awaitImaging("done");
        assertThat(whole.get("readBytes").asLong())
                .as("without a reason all of it is read")
                .isEqualTo(whole.get("size").asLong());
    }
}
