package org.brantel.server.scan;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.brantel.core.testing.Corpus;
import org.brantel.server.testing.BenchRules;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Scan sessions on a disk with volumes that no table lists: where they look, resting, and the evidence that they leave.
 */
class ScansTest {

    private static final Map<String, Object> QUICK = Map.of("method", "structure", "search", false);
    private static final Map<String, Object> NO_LIMITS =
            Map.of("faultsInRow", 0, "faultsInAll", 0, "celsius", 0, "growth", 0, "minutes", 0);

    private Story story;

    @BeforeEach
    void imageADiskWithoutItsTable() {
        Corpus.image("d07-mbr-zeroed", Lab.open().inbox());
        story = Story.of(new CaseForms().told("symptom.appears", "partition-missing"))
                .imaged("inbox/d07-mbr-zeroed.img");
    }

    private JsonNode done(Map<String, ?> order) {
        story.una.post(story.path("/scans"), order).expect(201);
        return Story.last(story.una.await(story.path("/scans"), s -> !List.of("waiting", "running")
                .contains(Story.last(s).get("state").asString())));
    }

    @Test
    void aVolumeIsScannedAloneAndAddsNothingThatIsKnown() {
        JsonNode whole = done(Map.of("method", "structure"));
        assertThat(whole.get("report").get("volumes"))
                .extracting(v -> v.get("fs").asString() + " " + v.get("state").asString())
                .containsExactly("fat32 lost", "ntfs lost", "ext4 lost");
        assertThat(whole.get("report").get("inVolumes"))
                .hasSize(3)
                .allMatch(c -> c.get("findings").asLong() > 0);
        JsonNode alone = done(Map.of("method", "structure", "volume", 1, "search", false));
        assertThat(alone.get("volume").asInt()).isEqualTo(1);
        assertThat(alone.get("search").asBoolean()).isFalse();
        assertThat(alone.get("added").asLong()).isZero();
        assertThat(alone.get("shared").asLong())
                .isEqualTo(whole.get("report")
                        .get("inVolumes")
                        .get(1)
                        .get("findings")
                        .asLong());
        assertThat(story.una
                        .post(story.path("/scans"), Map.of("method", "structure", "volume", 7))
                        .expect(400)
                        .sentence())
                .contains("No session", "volume 7");
    }

    @Test
    void aLineShowsItsEvidenceDownToTheBytes() {
        done(Map.of("method", "structure"));
        JsonNode lines = story.una
                .get(story.path("/catalogue?size=100"))
                .expect(200)
                .json()
                .get("lines");
        for (JsonNode line : lines) {
            JsonNode steps = story.una
                    .get(story.path("/catalogue/" + line.get("id").asLong() + "/explanation"))
                    .expect(200)
                    .json();
            assertThat(steps.get(0).get("title").asString())
                    .as(line.get("path").asString())
                    .isEqualTo("Volume");
            assertThat(steps.get(1).get("offset").asLong())
                    .isEqualTo(line.get("record").get("at").asLong());
            assertThat(steps.get(1).get("fields")).isNotEmpty();
        }
        assertThat(lines).hasSizeGreaterThan(15);
        story.una.get(story.path("/catalogue/999999/explanation")).expect(404);
    }

    @Test
    void carvingIsAddedOnlyWhereNothingWasCarvedBefore() {
        JsonNode first = done(Map.of("method", "carve"));
        JsonNode carved = story.una.get(story.path("/scans/carved")).expect(200).json();
        assertThat(carved.get("bytes").asLong())
                .isEqualTo(carved.get("of").asLong())
                .isEqualTo(first.get("report").get("size").asLong());
        assertThat(first.get("report").get("carved").size())
                .as("the ranges stay here")
                .isZero();
        JsonNode second = done(Map.of("method", "carve"));
        assertThat(second.get("report").get("findings").asLong()).isZero();
        JsonNode again = done(Map.of("method", "carve", "again", true));
        assertThat(again.get("report").get("findings"))
                .isEqualTo(first.get("report").get("findings"));
        assertThat(again.get("added").asLong()).isZero();
        assertThat(again.get("imageSha256").asString()).matches("[0-9a-f]{64}");
        story.una.post("/api/scans/" + second.get("id").asLong() + "/repeat").expect(201);
        JsonNode repeated = Story.last(story.una.await(
                story.path("/scans"), s -> Story.last(s).get("state").asString().equals("done")));
        assertThat(repeated.get("again").asBoolean()).isTrue();
        assertThat(repeated.get("report").get("findings"))
                .isEqualTo(first.get("report").get("findings"));
        JsonNode failed = story.una
                .get("/api/scans/" + repeated.get("id").asLong() + "/failed")
                .expect(200)
                .json();
        assertThat(failed.size())
                .isEqualTo((int) repeated.get("report").get("rejected").asLong());
        for (JsonNode start : failed) {
            assertThat(start.get("why").asString()).isNotBlank();
        }
    }

    @Test
    void recoveryMayBeginBeforeASessionEnds() {
        done(Map.of("method", "structure"));
        long id = story.una
                .post(story.path("/scans"), Map.of("method", "both"))
                .expect(201)
                .json()
                .get("id")
                .asLong();
        story.una.post("/api/scans/" + id + "/pause").expect(200);
        story.selectedWhole();
        assertThat(story.recovered().get("state").asString()).isEqualTo("done");
        String stage =
                story.una.get("/api/cases/" + story.number).json().get("stage").asString();
        assertThat(stage).isNotEqualTo("scanning");
        story.una.post("/api/scans/" + id + "/resume").expect(200);
        story.una.await(
                story.path("/scans"), s -> Story.last(s).get("state").asString().equals("done"));
        assertThat(story.una
                        .get("/api/cases/" + story.number)
                        .json()
                        .get("stage")
                        .asString())
                .as("people have moved the case on")
                .isEqualTo(stage);
    }

    @Test
    void aSessionOfAnotherMachineJoinsTheCatalogue() {
        JsonNode whole = done(Map.of("method", "structure"));
        Visitor.Answer file = story.una
                .get("/api/scans/" + whole.get("id").asLong() + "/file")
                .expect(200);
        assertThat(file.header("Content-Disposition")).contains(".gz");
        Story other = Story.of(new CaseForms().told("symptom.appears", "partition-missing"))
                .imaged("inbox/d07-mbr-zeroed.img");
        String path = other.path("/scans/file?name=theirs.gz");
        other.una.postBytes(path, file.body()).expect(201);
        JsonNode brought = Story.last(other.una.await(other.path("/scans"), s -> !List.of("waiting", "running")
                .contains(Story.last(s).get("state").asString())));
        assertThat(brought.get("state").asString()).isEqualTo("done");
        assertThat(brought.get("importedFrom").asString()).isEqualTo("theirs.gz");
        assertThat(brought.get("method").asString()).isEqualTo("structure");
        assertThat(brought.get("added").asLong())
                .isEqualTo(whole.get("added").asLong())
                .isPositive();
        JsonNode carve = done(Map.of("method", "carve"));
        other.una
                .postBytes(
                        path,
                        story.una
                                .get("/api/scans/" + carve.get("id").asLong() + "/file")
                                .expect(200)
                                .body())
                .expect(201);
        other.una.await(
                other.path("/scans"),
                s -> s.size() == 2 && Story.last(s).get("state").asString().equals("done"));
        assertThat(other.una
                        .get(other.path("/scans/carved"))
                        .json()
                        .get("bytes")
                        .asLong())
                .as("what another machine says it carved is not believed")
                .isZero();
        other.una.postBytes(path, file.body()).expect(201);
        assertThat(Story.last(other.una.await(
                                other.path("/scans"),
                                s -> Story.last(s).get("state").asString().equals("done")))
                        .get("added")
                        .asLong())
                .isZero();
        assertThat(other.una
                        .post("/api/scans/" + brought.get("id").asLong() + "/repeat")
                        .expect(409)
                        .sentence())
                .contains("another machine");
        assertThat(other.una
                        .postBytes(path, "no such file".getBytes(StandardCharsets.US_ASCII))
                        .expect(400)
                        .sentence())
                .contains("theirs.gz is no session file");
        other.una
                .postBytes(path, java.util.Arrays.copyOf(file.body(), file.body().length / 2))
                .expect(201);
        JsonNode cut = Story.last(other.una.await(other.path("/scans"), s -> !List.of("waiting", "running")
                .contains(Story.last(s).get("state").asString())));
        assertThat(cut.get("state").asString()).isEqualTo("failed");
        assertThat(cut.get("trouble").asString()).contains("theirs.gz", "damaged");
    }

    @Test
    void whatIsAskedOfASessionThatEndedIsRefused() {
        long id = done(Map.of("method", "structure")).get("id").asLong();
        for (String what : List.of("pause", "resume", "stop")) {
            assertThat(story.una
                            .post("/api/scans/" + id + "/" + what)
                            .expect(409)
                            .sentence())
                    .contains("not running");
        }
    }

    @Test
    void aSessionRestsUntilItIsLetGoOn() {
        long id = story.una
                .post(story.path("/scans"), Map.of("method", "both"))
                .expect(201)
                .json()
                .get("id")
                .asLong();
        story.una.post("/api/scans/" + id + "/pause").expect(200);
        JsonNode resting = Story.last(story.una.get(story.path("/scans")).json());
        assertThat(resting.get("asked").asString()).isEqualTo("pause");
        story.una.post("/api/scans/" + id + "/resume").expect(200);
        JsonNode ended = Story.last(story.una.await(
                story.path("/scans"), s -> Story.last(s).get("state").asString().equals("done")));
        assertThat(ended.has("asked")).isFalse();
        assertThat(ended.get("report").get("finished").asBoolean()).isTrue();
    }

    @Test
    void aScanByRecordsRunsWhileTheImageIsWrittenAndOneStartsByItselfAfterwards() {
        Lab lab = Lab.open();
        Corpus.image("d08-gpt-primary-lost", lab.inbox());
        setScanRecords(lab, true);
        try {
            Story slow = Story.of(new CaseForms().told("symptom.appears", "partition-missing"))
                    .decided()
                    .attached("inbox/d08-gpt-primary-lost.img");
            slow.una.post(slow.path("/scans"), QUICK).expect(409);
            long imaging = slow.una
                    .post(slow.path("/imaging"), Map.of("profile", "healthy", "limits", NO_LIMITS, "mibPerSecond", 8))
                    .expect(201)
                    .json()
                    .get("id")
                    .asLong();
            slow.una.await(
                    slow.path("/bench"),
                    b -> b.get("sessions").get(0).get("readBytes").asLong() > 0);
            assertThat(slow.una
                            .post(slow.path("/scans"), Map.of("method", "both"))
                            .expect(409)
                            .sentence())
                    .contains("still being written", "only its records");
            slow.una.post(slow.path("/scans"), QUICK).expect(201);
            slow.una.await(slow.path("/scans"), s -> Story.last(s).get("added").asLong() > 0);
            long openedWhileItRan = slow.una
                    .get(slow.path("/catalogue"))
                    .expect(200)
                    .json()
                    .get("all")
                    .asLong();
            JsonNode early = Story.last(slow.una.await(
                    slow.path("/scans"),
                    s -> Story.last(s).get("state").asString().equals("done")));
            assertThat(early.get("added").asLong() + early.get("shared").asLong())
                    .isEqualTo(early.get("report").get("findings").asLong());
            assertThat(slow.session().get("state").asString())
                    .as("the device is still read")
                    .isEqualTo("running");
            assertThat(openedWhileItRan)
                    .as("lines could be opened before it ended")
                    .isPositive();
            assertThat(early.get("early").asBoolean()).isTrue();
            assertThat(early.get("report").get("volumes")).hasSize(2);
            assertThat(early.get("report").get("prognoses").get("gapped").asLong())
                    .isPositive();
            slow.una
                    .post("/api/imaging/" + imaging + "/bounds", Map.of("limits", NO_LIMITS, "mibPerSecond", 0))
                    .expect(200);
            slow.awaitImaging("done");
            JsonNode first = Story.last(slow.una.await(
                    slow.path("/scans"),
                    s -> s.size() == 2 && Story.last(s).get("state").asString().equals("done")));
            assertThat(first.get("search").asBoolean()).isFalse();
            assertThat(first.get("early").asBoolean()).isFalse();
            assertThat(first.get("readBytes").asLong())
                    .isEqualTo(first.get("report").get("size").asLong());
            assertThat(first.get("report").get("prognoses").has("gapped"))
                    .as("all of it was read by now")
                    .isFalse();
        } finally {
            setScanRecords(lab, false);
        }
    }

    private static void setScanRecords(Lab lab, boolean on) {
        new BenchRules().with("healthSeconds", 30).with("scanRecords", on).set(lab.as("petra"));
    }
}
