package org.brantel.server.triage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.brantel.core.testing.SimulatedDevice;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class TriageFlowTest {

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");

    private JsonNode docket(String number) {
        return una.get("/api/cases/" + number).json();
    }

    private Visitor.Answer decide(String number, String path) {
        return una.post(
                "/api/cases/" + number + "/triage/decision",
                Map.of(
                        "path",
                        path,
                        "reason",
                        "",
                        "version",
                        docket(number).get("version").asInt()));
    }

    private static CaseForms deleted() {
        return new CaseForms()
                .told("loss.event", "deleted-directly")
                .told("since.use", "none")
                .told("copy.backup", "none");
    }

    @Test
    void aDecisionIsTakenBackWithAllThatItChanged() {
        String number = deleted().log(una);
        String since = docket(number).get("stageSince").asString();
        decide(number, "image-then-scan").expect(200);
        JsonNode back =
                una.post("/api/cases/" + number + "/triage/undo").expect(200).json();
        assertThat(back.get("stage").asString()).isEqualTo("received");
        assertThat(back.get("path")).isNull();
        assertThat(back.get("stageSince").asString()).as("its clock goes on").isEqualTo(since);
        assertThat(una.post("/api/cases/" + number + "/triage/undo").expect(409).sentence())
                .contains("none to undo");
        JsonNode history = una.get("/api/cases/" + number + "/triage/history").json();
        assertThat(history.get("decisions").get(0).get("undone").asBoolean()).isTrue();
        assertThat(una.get("/api/cases/" + number + "/custody").text()).contains("took the decision back");
    }

    @Test
    void aCaseThatWasOverIsOpenAgainWithANewPath() {
        String number = deleted().log(una);
        lab.sql().update("update lab_case set stage = 'CLOSED' where number = ?", number);
        assertThat(decide(number, "image-then-scan")
                        .expect(200)
                        .json()
                        .get("stage")
                        .asString())
                .isEqualTo("triaged");
        assertThat(una.post("/api/cases/" + number + "/triage/undo")
                        .expect(200)
                        .json()
                        .get("stage")
                        .asString())
                .isEqualTo("closed");
    }

    /** What the Desk asks of one case; others may be asked the same. */
    private List<String> questions(String number) {
        return una.get("/api/desk?listed=1000")
                .json()
                .get("decisions")
                .valueStream()
                .filter(q -> q.get("caseNumber").asString().equals(number))
                .map(q -> q.get("question").asString())
                .toList();
    }

    @Test
    void newFactsShowWhatTheyMovedAndAskAgainOnTheDesk() {
        String number = deleted().log(una);
        decide(number, "image-then-scan").expect(200);
        assertThat(una.get("/api/cases/" + number + "/triage/history").json().get("moved"))
                .isNull();
        una.post(
                        "/api/cases/" + number + "/bench-check",
                        Map.of(
                                "answers",
                                List.of(Map.of("code", "bench.noise", "value", "scratching", "measured", false))))
                .expect(204);
        JsonNode moved =
                una.get("/api/cases/" + number + "/triage/history").json().get("moved");
        assertThat(moved.get("ledBefore").asString()).isEqualTo("image-then-scan");
        assertThat(moved.get("leadsNow").asString()).isEqualTo("hardware-work");
        assertThat(moved.get("newStops").toString()).contains("no-power");
        assertThat(questions(number)).contains("Still image then scan?");
        decide(number, "hardware-work").expect(200);
        assertThat(questions(number)).doesNotContain("Still image then scan?");
        assertThat(docket(number).get("stage").asString())
                .as("a case does not go back for another path")
                .isEqualTo("triaged");
    }

    @Test
    void theStationMeasuresWhatItCanAndTheRestIsEntered() throws IOException {
        Path made = new SimulatedDevice(Files.createTempDirectory(lab.home(), "sim"), 4 << 20, 5)
                .serial("FL-1")
                .dead(1 << 20, 65_536)
                .write();
        Files.move(made.resolveSibling("backing.img"), lab.devices().resolve("firstlook.img"));
        Files.writeString(
                lab.devices().resolve("firstlook.json"),
                Files.readString(made).replace("backing.img", "firstlook.img"));
        String number =
                deleted().device("serial", "FL-1").device("capacity", "4 MiB").log(una);
        assertThat(una.post("/api/cases/" + number + "/bench-check/measure")
                        .expect(409)
                        .sentence())
                .contains("No medium is attached")
                .contains("by hand");
        una.post("/api/cases/" + number + "/bench/attachment", Map.of("medium", "sim/firstlook"))
                .expect(201);
        Map<String, String> seen = new HashMap<>();
        una.post("/api/cases/" + number + "/bench-check/measure")
                .expect(200)
                .json()
                .forEach(s -> seen.put(s.get("code").asString(), s.get("value").asString()));
        assertThat(seen)
                .containsEntry("bench.detected", "yes")
                .containsEntry("bench.identity", "matches")
                .containsEntry("bench.capacity", "matches")
                .containsEntry("bench.read", "some-errors");
        una.post(
                        "/api/cases/" + number + "/bench-check",
                        Map.of(
                                "answers",
                                List.of(
                                        Map.of("code", "bench.read", "value", "some-errors", "measured", true),
                                        Map.of("code", "bench.noise", "value", "none", "measured", false))))
                .expect(204);
        JsonNode facts = docket(number).get("facts");
        JsonNode read = facts.valueStream()
                .filter(f -> f.get("code").asString().equals("bench.read"))
                .findFirst()
                .orElseThrow();
        assertThat(read.get("source").asString()).isEqualTo("observed");
        assertThat(read.get("measured").asBoolean()).isTrue();
        una.post(
                        "/api/cases/" + number + "/bench-check",
                        Map.of("answers", List.of(Map.of("code", "bench.read", "value", "clean", "measured", false))))
                .expect(204);
        assertThat(docket(number).get("facts").toString()).contains("\"clean\"").doesNotContain("some-errors");
        assertThat(una.post(
                                "/api/cases/" + number + "/bench-check",
                                Map.of(
                                        "answers",
                                        List.of(Map.of("code", "bench.reed", "value", "clean", "measured", false))))
                        .expect(400)
                        .sentence())
                .contains("bench.read");
    }

    @Test
    void anEstimateHasRangesReasonsAndAChance() {
        String number =
                deleted().device("type", "hdd").device("capacity", "1 TB").log(una);
        JsonNode estimate =
                una.get("/api/cases/" + number + "/triage/estimate").expect(200).json();
        assertThat(estimate.get("path").asString()).isEqualTo("image-then-scan");
        assertThat(estimate.get("imaging").get("low").asDouble())
                .isPositive()
                .isLessThan(estimate.get("imaging").get("high").asDouble());
        assertThat(estimate.get("imaging").get("reasons").size()).isPositive();
        assertThat(estimate.get("chance").asString()).isEqualTo("good");
        assertThat(estimate.get("chanceRestsOn").toString()).contains("not used since");
        assertThat(una.get("/api/cases/" + number + "/triage/estimate?path=decline")
                        .json()
                        .get("imaging"))
                .isNull();
        una.get("/api/cases/" + number + "/triage/estimate?path=prayer").expect(400);
        JsonNode asked = una.post(
                        "/api/triage/estimate",
                        Map.of(
                                "facts",
                                List.of(Map.of("code", "set.members", "value", "complete", "source", "told")),
                                "devices",
                                List.of(
                                        Map.of("type", "nas", "capacity", "4 TB", "attachedBy", ""),
                                        Map.of("type", "hdd", "capacity", "2 TB", "attachedBy", ""),
                                        Map.of("type", "hdd", "capacity", "2 TB", "attachedBy", ""))))
                .expect(200)
                .json();
        JsonNode single = una.post(
                        "/api/triage/estimate",
                        Map.of(
                                "facts",
                                List.of(Map.of("code", "set.members", "value", "complete", "source", "told")),
                                "devices",
                                List.of(Map.of("type", "nas", "capacity", "4 TB", "attachedBy", ""))))
                .expect(200)
                .json();
        assertThat(asked.get("imaging").get("low").asDouble())
                .as("the box is not read beside its members")
                .isEqualTo(single.get("imaging").get("low").asDouble());
    }

    @Test
    void anotherProtocolIsReplayedBeforeItIsAdopted() {
        Visitor petra = lab.as("petra");
        String number = deleted().told("copy.cloud", "partly").log(una);
        decide(number, "image-then-scan").expect(200);
        String now = una.get("/api/triage/protocol").expect(200).text();
        String changed = now.replaceFirst("\"version\" : \"3\"", "\"version\" : \"3-test\"")
                .replaceFirst(
                        "(\"path\" : \"image-then-scan\",\\s+\"weight\" : )5(,\\s+\"reason\" : \"Deleted files leave)",
                        "$1-9$2");
        JsonNode moved = una.post("/api/triage/replay", Map.of("protocol", changed))
                .expect(200)
                .json();
        JsonNode own = moved.valueStream()
                .filter(m -> m.get("caseNumber").asString().equals(number))
                .findFirst()
                .orElseThrow();
        assertThat(own.get("movement").get("leadsNow").asString()).isNotEqualTo("image-then-scan");
        assertThat(una.get("/api/triage/vocabulary").json().get("protocol").asString())
                .as("replaying adopts nothing")
                .endsWith(" 3");
        assertThat(una.post("/api/triage/adopt", Map.of("protocol", changed))
                        .expect(403)
                        .sentence())
                .contains("manager");
        assertThat(petra.post("/api/triage/adopt", Map.of("protocol", now))
                        .expect(400)
                        .sentence())
                .contains("in force already");
        assertThat(petra.post(
                                "/api/triage/adopt",
                                Map.of("protocol", changed.replaceFirst("\"copy.trash=yes\"", "\"copy.trash=yess\"")))
                        .expect(400)
                        .sentence())
                .contains("line ")
                .contains("'yes'");
        petra.post("/api/triage/adopt", Map.of("protocol", changed)).expect(200);
        try {
            assertThat(docket(number).get("protocol").asString())
                    .as("a decision keeps its version")
                    .endsWith(" 3");
            assertThat(una.get("/api/cases/" + number + "/triage")
                            .json()
                            .get("protocol")
                            .asString())
                    .endsWith("3-test");
            assertThat(una.post("/api/triage/replay", Map.of("protocol", ""))
                            .json()
                            .toString())
                    .as("older decisions under the new one")
                    .contains(number);
        } finally {
            lab.sql().update("delete from adopted_protocol");
        }
    }
}
