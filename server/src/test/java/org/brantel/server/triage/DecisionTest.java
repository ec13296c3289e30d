package org.brantel.server.triage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class DecisionTest {

    private final Visitor una = Lab.open().as("una");

    private Visitor.Answer decide(String number, String path, String reason) {
        int version = una.get("/api/cases/" + number).json().get("version").asInt();
        return una.post(
                "/api/cases/" + number + "/triage/decision",
                Map.of("path", path, "reason", reason, "version", version));
    }

    private static CaseForms clicking() {
        return new CaseForms()
                .device("type", "hdd")
                .told("symptom.noise", "clicking")
                .told("loss.event", "dropped");
    }

    @Test
    void theRankingChangesWhileFactsAreEntered() {
        JsonNode none = una.post("/api/triage/ranking", Map.of("facts", List.of()))
                .expect(200)
                .json();
        assertThat(none.get("nextQuestion").get("ask").asString()).endsWith("?");
        JsonNode clicks = una.post(
                        "/api/triage/ranking",
                        Map.of(
                                "facts",
                                List.of(Map.of("code", "symptom.noise", "value", "clicking", "source", "told"))))
                .json();
        assertThat(clicks.get("ranking").get(0).get("path").asString()).isEqualTo("hardware-work");
        assertThat(clicks.get("ranking").get(0).get("for").get(0).get("reason").asString())
                .isNotBlank();
        assertThat(clicks.get("stopRules").get(0).get("code").asString()).isEqualTo("no-power");
        una.post(
                        "/api/triage/ranking",
                        Map.of("facts", List.of(Map.of("code", "symptom.noise", "value", "klick", "source", "told"))))
                .expect(400);
    }

    @Test
    void theDevicesTypeIsAFactToo() {
        String number = new CaseForms()
                .device("type", "ssd")
                .told("loss.event", "deleted-directly")
                .log(una);
        assertThat(una.get("/api/cases/" + number + "/triage")
                        .json()
                        .get("stopRules")
                        .toString())
                .contains("keep-off");
    }

    @Test
    void theFirstPathNeedsNoReasonAndMovesTheCaseOn() {
        String number = clicking().log(una);
        JsonNode docket = decide(number, "hardware-work", "").expect(200).json();
        assertThat(docket.get("stage").asString()).isEqualTo("triaged");
        assertThat(docket.get("path").asString()).isEqualTo("hardware-work");
        assertThat(docket.get("protocol").asString()).isEqualTo("Brantel triage protocol 3");
    }

    @Test
    void anOverrideAsksForAReasonAndKeepsIt() {
        String number = clicking().log(una);
        assertThat(decide(number, "existing-copy", " ").expect(400).sentence())
                .contains("not the first of the ranking")
                .contains("write down why");
        assertThat(decide(number, "image-then-scan", "").expect(400).sentence()).contains("barred");
        assertThat(una.get("/api/cases/" + number).json().get("stage").asString())
                .isEqualTo("received");
        decide(number, "existing-copy", "The second office has last week's tape.")
                .expect(200);
        assertThat(una.get("/api/cases/" + number).json().get("pathReason").asString())
                .contains("second office");
        assertThat(una.get("/api/cases/" + number + "/custody")
                        .json()
                        .get("entries")
                        .toString())
                .contains("not the first of the ranking")
                .contains("second office");
    }

    @Test
    void aDeclinedCaseLeavesTheDesk() {
        String number = clicking().log(una);
        decide(number, "decline", "Worth less than the work, the customer agrees.")
                .expect(200);
        assertThat(una.get("/api/cases?size=1000").text()).doesNotContain(number);
        assertThat(una.get("/api/cases?state=closed&size=1000").text()).contains(number);
    }

    @Test
    void aDecisionOnAnOldStateIsRefused() {
        String number = clicking().log(una);
        int version = una.get("/api/cases/" + number).json().get("version").asInt();
        una.put(
                        "/api/cases/" + number,
                        clicking().version(version).customer("phone", "1").build())
                .expect(200);
        una.post("/api/cases/" + number + "/triage/decision", Map.of("path", "hardware-work", "version", version))
                .expect(409);
        assertThat(decide(number, "prayer", "x").expect(400).sentence())
                .contains("'prayer' is not a possible value of path");
    }

    private JsonNode decisions(String number) {
        return una.get("/api/cases/" + number + "/triage/history").json().get("decisions");
    }

    @Test
    void decidingTheSameAgainDoesNothing() {
        String number = clicking().consent("mail", true).log(una);
        decide(number, "decline", "The customer agrees.").expect(200);
        int letters = letters(number);
        decide(number, "decline", "The customer agrees.").expect(200);
        decide(number, "decline", " ").expect(200);
        assertThat(decisions(number)).hasSize(1);
        decide(number, "decline", "And so does their insurer.").expect(200);
        assertThat(decisions(number)).hasSize(2);
        assertThat(letters(number)).isEqualTo(letters);
    }

    @Test
    void aCaseThatIsOverIsOpenedByTheSameDecision() {
        String number = clicking().log(una);
        decide(number, "hardware-work", "").expect(200);
        Lab.open().sql().update("update lab_case set stage = 'CLOSED' where number = ?", number);
        assertThat(decide(number, "hardware-work", "")
                        .expect(200)
                        .json()
                        .get("stage")
                        .asString())
                .isEqualTo("triaged");
    }

    private JsonNode messages(String number) {
        return una.get("/api/outbox?number=" + number).json().get("messages").get("items");
    }

    private int letters(String number) {
        return messages(number).size();
    }

    @Test
    void thatAnotherFirstIsTakenBackLeavesTheLetterOfTheFirst() {
        String number = clicking().consent("mail", true).log(una);
        decide(number, "hardware-work", "").expect(200);
        decide(number, "decline", "Worth less than the work.").expect(200);
        una.post("/api/cases/" + number + "/triage/undo").expect(200);
        assertThat(messages(number).valueStream())
                .extracting(
                        m -> m.get("letter").asString() + " " + m.get("state").asString())
                .contains("decided queued", "declined cancelled");
    }
}
