package org.brantel.server.partner;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.brantel.core.testing.Corpus;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A device goes to a partner and comes back; meanwhile it cannot be touched, and the clock runs on the partner. */
class PartnerTest {

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");
    private final LocalDate today = LocalDate.now(ZoneOffset.UTC);

    private static String partner(String number) {
        return "/api/cases/" + number + "/partner";
    }

    private Map<String, Object> sending(String number) {
        return new HashMap<>(Map.of(
                "deviceId",
                devices(number).get(0),
                "partner",
                "Fastings Cleanroom",
                "parcel",
                "SK 4711",
                "condition",
                "clicks, lid unopened",
                "on",
                today.toString(),
                "expected",
                today.plusDays(5).toString()));
    }

    private List<Long> devices(String number) {
        return una.get(partner(number))
                .expect(200)
                .json()
                .get("devices")
                .valueStream()
                .map(d -> d.get("id").asLong())
                .toList();
    }

    /** @return the job's number */
    private long sent(String number) {
        return una.post(partner(number), sending(number))
                .expect(200)
                .json()
                .get("jobs")
                .get(0)
                .get("id")
                .asLong();
    }

    private Map<String, Object> quote() {
        return Map.of("on", today.toString(), "hundredths", 48050, "words", "new heads");
    }

    private Map<String, Object> answer(boolean yes) {
        return Map.of(
                "on",
                today.toString(),
                "approved",
                yes,
                "by",
                "Hilda Crane",
                "expected",
                today.plusDays(9).toString());
    }

    private Map<String, Object> back(String serial) {
        return Map.of(
                "on",
                today.toString(),
                "condition",
                "quiet",
                "done",
                "heads changed",
                "hundredths",
                48050,
                "serial",
                serial);
    }

    private String step(String number) {
        return una.get(partner(number)).json().get("jobs").get(0).get("step").asString();
    }

    private Stream<String> questions(String number) {
        return una.get("/api/cases/" + number + "/questions")
                .json()
                .valueStream()
                .map(q -> q.get("question").asString());
    }

    private JsonNode untouchable(String number, long device) {
        return una.get("/api/cases/" + number + "/locks?device=" + device)
                .expect(200)
                .json()
                .get("untouchable");
    }

    private JsonNode docket(String number) {
        return una.get("/api/cases/" + number).expect(200).json();
    }

    @Test
    void thereAndBackAndEachStepIsAsked() {
        String number = new CaseForms().told("symptom.noise", "clicking").log(una);
        una.post(
                        "/api/cases/" + number + "/triage/decision",
                        Map.of(
                                "path",
                                "hardware-work",
                                "reason",
                                "It clicks.",
                                "version",
                                docket(number).get("version").asInt()))
                .expect(200);
        assertThat(questions(number)).contains("Send the device to the partner?");
        long job = sent(number);
        assertThat(questions(number))
                .contains("What does Fastings Cleanroom say?")
                .doesNotContain("Send the device to the partner?");
        una.put(partner(number) + "/" + job + "/quote", quote()).expect(200);
        assertThat(questions(number)).contains("Does the customer approve the quote?");
        una.put(partner(number) + "/" + job + "/answer", answer(true)).expect(200);
        assertThat(questions(number)).contains("Is it back from Fastings Cleanroom?");
        una.put(partner(number) + "/" + job + "/back", back("")).expect(200);
        assertThat(questions(number)).contains("Check it on the bench again?");
        assertThat(una.get("/api/cases/" + number + "/custody")
                        .json()
                        .get("entries")
                        .valueStream()
                        .map(e -> e.get("what").asString()))
                .containsSubsequence(
                        "sent device 1 to Fastings Cleanroom",
                        "has a quote of Fastings Cleanroom",
                        "approved the quote of Fastings Cleanroom",
                        "took device 1 back from Fastings Cleanroom");
    }

    @Test
    void aDeviceThatCameBackIsLookedAtBeforeAnythingElse() {
        Corpus.image("d01-fat16", lab.inbox());
        String number = new CaseForms().log(una);
        long job = sent(number);
        Map<String, String> medium = Map.of("medium", "inbox/d01-fat16.img");
        assertThat(una.post("/api/cases/" + number + "/bench/attachment", medium)
                        .expect(423)
                        .sentence())
                .contains("Device 1 is with Fastings Cleanroom");
        assertThat(una.get("/api/cases/" + number + "/locks")
                        .json()
                        .get("untouchable")
                        .get(0)
                        .asString())
                .contains("is with Fastings Cleanroom");
        una.put(partner(number) + "/" + job + "/back", back("")).expect(200);
        assertThat(una.post("/api/cases/" + number + "/bench/attachment", medium)
                        .expect(423)
                        .sentence())
                .contains("check it on the bench");
        una.post(
                        "/api/cases/" + number + "/bench-check",
                        Map.of("answers", List.of(Map.of("code", "bench.read", "value", "clean", "measured", false))))
                .expect(204);
        una.post("/api/cases/" + number + "/bench/attachment", medium).expect(201);
        assertThat(una.post(partner(number), sending(number)).expect(409).sentence())
                .contains("detach it");
    }

    @Test
    void oneMemberIsSentWhileAnotherIsAttached() {
        Corpus.image("d01-fat16", lab.inbox());
        String number = new CaseForms().another("hdd", "serial", "CLICKS-2").log(una);
        una.post("/api/cases/" + number + "/bench/attachment", Map.of("medium", "inbox/d01-fat16.img"))
                .expect(201);
        Map<String, Object> other = sending(number);
        other.put("deviceId", devices(number).get(1));
        una.post(partner(number), other).expect(200);
        una.post(partner(number), sending(number)).expect(409);
    }

    @Test
    void aStepOfAnOlderJobIsNotTakenBackWhileTheDeviceIsAwayAgain() {
        String number = new CaseForms().log(una);
        long first = sent(number);
        una.put(partner(number) + "/" + first + "/back", back("")).expect(200);
        long second = sent(number);
        assertThat(una.delete(partner(number) + "/" + first + "/last")
                        .expect(409)
                        .sentence())
                .contains("sent again");
        una.delete(partner(number) + "/" + second + "/last").expect(200);
        una.delete(partner(number) + "/" + first + "/last").expect(200);
    }

    @Test
    void whileOneMemberIsAwayTheOthersAreTouched() {
        Corpus.image("d01-fat16", lab.inbox());
        String number = new CaseForms()
                .device("serial", "GONE-1")
                .another("usb-stick", "serial", "HERE-2")
                .log(una);
        sent(number);
        List<Long> devices = devices(number);
        assertThat(untouchable(number, devices.get(0))).hasSize(1);
        assertThat(untouchable(number, devices.get(1))).isEmpty();
        una.post(
                        "/api/cases/" + number + "/bench/attachment",
                        Map.of(
                                "medium",
                                "inbox/d01-fat16.img",
                                "decision",
                                "its label is gone",
                                "device",
                                devices.get(0)))
                .expect(423);
    }

    @Test
    void theClockOfTheCaseRunsOnThePartner() {
        String number = new CaseForms().log(una);
        String own = docket(number).get("due").asString();
        long job = sent(number);
        assertThat(docket(number).get("due").asString())
                .startsWith(today.plusDays(6).toString());
        una.put(partner(number) + "/" + job + "/quote", quote()).expect(200);
        assertThat(docket(number).get("due").asString())
                .as("the customer has it now")
                .isEqualTo(own);
        una.put(partner(number) + "/" + job + "/answer", answer(false)).expect(200);
        assertThat(docket(number).get("due").asString())
                .startsWith(today.plusDays(10).toString());
        lab.sql().update("update lab_case set waits_until = current_date - 2 where number = ?", number);
        assertThat(una.get("/api/cases?late=true")
                        .json()
                        .get("cases")
                        .valueStream()
                        .map(c -> c.get("number").asString()))
                .contains(number);
        lab.sql().update("update lab_case set stage = 'ON_HOLD' where number = ?", number);
        assertThat(una.get("/api/cases?late=true&size=500").text())
                .as("a held case is late by nothing")
                .doesNotContain(number);
        lab.sql().update("update lab_case set stage = 'RECEIVED' where number = ?", number);
        una.put(partner(number) + "/" + job + "/back", back("")).expect(200);
        assertThat(docket(number).get("due").asString()).isEqualTo(own);
    }

    @Test
    void aNewBoardBringsANewSerial() {
        String number = new CaseForms().device("serial", "OLD-1").log(una);
        long job = sent(number);
        una.put(partner(number) + "/" + job + "/back", back("NEW-2")).expect(200);
        assertThat(docket(number).get("devices").get(0).get("serial").asString())
                .isEqualTo("NEW-2");
        assertThat(una.get("/api/cases/" + number + "/custody")
                        .json()
                        .get("entries")
                        .valueStream()
                        .map(e -> e.get("detail").asString()))
                .contains("OLD-1 → NEW-2");
        assertThat(una.get("/api/find?q=NEW-2").json().toString()).contains(number);
    }

    @Test
    void noStepComesBeforeTheOneThatItRestsOn() {
        String number = new CaseForms().log(una);
        String path = partner(number) + "/";
        una.put(path + "999999/back", back("")).expect(404);
        Map<String, Object> tomorrow = sending(number);
        tomorrow.put("on", today.plusDays(2).toString());
        assertThat(una.post(partner(number), tomorrow).expect(400).sentence()).contains("still to come");
        Map<String, Object> never = sending(number);
        never.put("expected", today.plusYears(3).toString());
        una.post(partner(number), never).expect(400);
        long job = sent(number);
        una.put(partner(new CaseForms().log(una)) + "/" + job + "/back", back(""))
                .expect(404);
        assertThat(una.post(partner(number), sending(number)).expect(409).sentence())
                .contains("It is with Fastings Cleanroom");
        assertThat(una.put(path + job + "/answer", answer(true)).expect(409).sentence())
                .contains("has not quoted yet");
        Map<String, Object> early = new HashMap<>(back(""));
        early.put("on", today.minusDays(1).toString());
        assertThat(una.put(path + job + "/back", early).expect(400).sentence()).contains("is before");
        una.put(path + job + "/quote", quote()).expect(200);
        una.put(path + job + "/quote", quote()).expect(409);
        Map<String, Object> negative = new HashMap<>(quote());
        negative.put("hundredths", -1);
        una.put(path + job + "/quote", negative).expect(400);
        una.put(path + job + "/back", back("")).expect(200);
        una.put(path + job + "/back", back("")).expect(409);
    }

    @Test
    void whatWasNotedLastIsTakenBackStepByStep() {
        String number = new CaseForms().log(una);
        long job = sent(number);
        String path = partner(number) + "/" + job;
        una.put(path + "/quote", quote()).expect(200);
        una.put(path + "/answer", answer(false)).expect(200);
        una.put(path + "/back", back("")).expect(200);
        for (String before : List.of("refused", "quoted", "sent")) {
            una.delete(path + "/last").expect(200);
            assertThat(step(number)).isEqualTo(before);
        }
        assertThat(una.delete(path + "/last").expect(200).json().get("jobs").size())
                .isZero();
        una.delete(path + "/last").expect(404);
        assertThat(una.get("/api/cases/" + number + "/locks")
                        .json()
                        .get("untouchable")
                        .size())
                .isZero();
    }

    @Test
    void aCaseIsNotClosedWhileADeviceIsAway() {
        String number = new CaseForms().log(una);
        sent(number);
        assertThat(una.get("/api/cases/" + number + "/closing")
                        .json()
                        .get("missing")
                        .valueStream()
                        .map(JsonNode::asString))
                .anyMatch(m -> m.contains("is with Fastings Cleanroom"));
    }

    @Test
    void twoDevicesThatAreAwayAreAskedAboutEachByItself() {
        String number = new CaseForms().another("hdd", "serial", "HERE-2").log(una);
        sent(number);
        Map<String, Object> other = sending(number);
        other.put("deviceId", devices(number).get(1));
        una.post(partner(number), other).expect(200);
        assertThat(una.get("/api/cases/" + number + "/questions")
                        .json()
                        .valueStream()
                        .filter(q -> q.get("kind").asString().equals("Partner"))
                        .map(q -> q.get("key").asString()))
                .hasSize(2)
                .doesNotHaveDuplicates();
        Corpus.image("d01-fat16", lab.inbox());
        una.post("/api/cases/" + number + "/bench/attachment", Map.of("medium", "inbox/d01-fat16.img"))
                .expect(423);
    }
}
