package org.brantel.server.closing;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.brantel.server.delivery.Receipts;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** A case ends with an outcome, and not before it is known what became of its devices. */
class ClosingTest {

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");

    private static String closing(String number) {
        return "/api/cases/" + number + "/closing";
    }

    private String logged() {
        return new CaseForms().another("memory-card", "serial", "SK-2").log(una);
    }

    private JsonNode state(String number) {
        return una.get(closing(number)).expect(200).json();
    }

    private String stage(String number) {
        return una.get("/api/cases/" + number).json().get("stage").asString();
    }

    private static Map<String, Object> disposition(List<Long> devices, String what, String words) {
        return Map.of(
                "devices",
                devices,
                "disposition",
                what,
                "words",
                words,
                "day",
                LocalDate.now(ZoneOffset.UTC).toString());
    }

    private List<Long> devices(String number) {
        return state(number)
                .get("devices")
                .valueStream()
                .map(d -> d.get("id").asLong())
                .toList();
    }

    private void allReturned(String number) {
        una.post(closing(number) + "/devices", disposition(devices(number), "returned", "to Hilda Crane, who is known"))
                .expect(200);
    }

    private void copyFound(String number) {
        una.put(
                        "/api/cases/" + number + "/copies",
                        Map.of(
                                "place", "second-machine",
                                "called", "laptop",
                                "result", "found",
                                "lookedBy", "Hilda Crane",
                                "opened", "harvest.jpg",
                                "covers", List.of(),
                                "words", ""))
                .expect(200);
    }

    private Visitor.Answer close(String number, String outcome, String words) {
        return una.post(closing(number), Map.of("outcome", outcome, "words", words));
    }

    private Stream<String> custody(String number) {
        return una.get("/api/cases/" + number + "/custody")
                .json()
                .get("entries")
                .valueStream()
                .map(e -> e.get("what").asString());
    }

    @Test
    void aCaseStaysOpenWhileADeviceHasNoDisposition() {
        String number = logged();
        List<Long> both = devices(number);
        assertThat(close(number, "copy-found", "on their laptop").expect(409).sentence())
                .contains("What becomes of device 1", "What becomes of device 2");
        una.post(closing(number) + "/devices", disposition(both.subList(1, 2), "never-came", ""))
                .expect(200);
        assertThat(close(number, "copy-found", "on their laptop").expect(409).sentence())
                .contains("device 1")
                .doesNotContain("device 2");
        una.post(closing(number) + "/devices", disposition(both.subList(0, 1), "kept", "for parts until May"))
                .expect(200);
        assertThat(close(number, "copy-found", "").expect(409).sentence()).contains("No copy is noted");
        copyFound(number);
        JsonNode closed =
                close(number, "copy-found", "on their laptop").expect(200).json();
        assertThat(closed.get("closed").get("outcome").asString()).isEqualTo("copy-found");
        assertThat(stage(number)).isEqualTo("closed");
        assertThat(custody(number))
                .contains(
                        "noted what became of device 1",
                        "noted what became of device 2",
                        "closed the case: copy found");
        assertThat(una.get("/api/day")
                        .json()
                        .get("ended")
                        .valueStream()
                        .filter(e -> e.get("caseNumber").asString().equals(number))
                        .map(e -> e.get("how").asString()))
                .containsExactly("copy");
    }

    @Test
    void closingIsTakenBackAndTheCaseStandsWhereItStood() {
        String number = logged();
        allReturned(number);
        close(number, "nothing-recoverable", "Every block is zero.").expect(200);
        assertThat(una.post(closing(number) + "/devices", disposition(devices(number), "kept", "for parts"))
                        .expect(409)
                        .sentence())
                .contains("is closed");
        assertThat(close(number, "copy-found", "x").expect(409).sentence()).contains("is closed");
        JsonNode open = una.delete(closing(number)).expect(200).json();
        assertThat(open.has("closed")).isFalse();
        assertThat(stage(number)).isEqualTo("received");
        assertThat(una.delete(closing(number)).expect(409).sentence()).contains("Nothing is on record");
        long device = devices(number).get(0);
        una.post(closing(number) + "/devices", disposition(List.of(device, device), "kept", "for parts"))
                .expect(200);
        una.delete(closing(number) + "/devices/" + device).expect(200);
        una.delete(closing(number) + "/devices/" + device).expect(409);
        assertThat(state(number).get("missing").valueStream().map(JsonNode::asString))
                .singleElement()
                .asString()
                .contains("device 1");
    }

    @Test
    void whatBecameOfADeviceHasADayAndWords() {
        String number = logged();
        List<Long> both = devices(number);
        String path = closing(number) + "/devices";
        for (String what : List.of("returned", "destroyed", "kept")) {
            assertThat(una.post(path, disposition(both, what, " ")).expect(400).sentence())
                    .startsWith("Write down");
        }
        for (LocalDate day : List.of(LocalDate.now(ZoneOffset.UTC).plusDays(2), LocalDate.of(1999, 1, 1))) {
            assertThat(una.post(
                                    path,
                                    Map.of(
                                            "devices",
                                            both,
                                            "disposition",
                                            "kept",
                                            "words",
                                            "parts",
                                            "day",
                                            day.toString()))
                            .expect(400)
                            .sentence())
                    .contains("before the case was logged, or still to come");
        }
        long strangers = devices(logged()).get(0);
        assertThat(una.post(path, disposition(List.of(strangers), "kept", "parts"))
                        .expect(400)
                        .sentence())
                .contains("does not belong");
        una.post(path, disposition(List.of(), "kept", "parts")).expect(400);
        assertThat(state(number).get("devices").valueStream().filter(d -> d.has("disposed")))
                .as("a refusal notes nothing")
                .isEmpty();
    }

    @Test
    void whoTakesTheirDevicesBackUnrecoveredSignsForIt() {
        String number = logged();
        assertThat(close(number, "collected-unrecovered", "").expect(409).sentence())
                .contains("No signed paper");
        byte[] paper =
                una.get("/api/cases/" + number + "/collection.pdf").expect(200).body();
        assertThat(una.postBytes(closing(number) + "/papers?name=x", "no paper".getBytes(StandardCharsets.UTF_8))
                        .expect(400)
                        .sentence())
                .contains("not a PDF");
        JsonNode kept = una.postBytes(closing(number) + "/papers?name=signed.pdf", paper)
                .expect(201)
                .json();
        String path = closing(number) + "/papers/" + kept.get("id").asLong();
        assertThat(una.get(path).expect(200).body()).isEqualTo(paper);
        una.get(closing(logged()) + "/papers/" + kept.get("id").asLong()).expect(404);
        List<Long> both = devices(number);
        una.post(closing(number) + "/devices", disposition(both, "kept", "for parts"))
                .expect(200);
        assertThat(close(number, "collected-unrecovered", "").expect(409).sentence())
                .contains("Device 1 was not given back but kept by the lab", "No device was given back");
        allReturned(number);
        close(number, "collected-unrecovered", "").expect(200);
        assertThat(custody(number)).contains("added a signed paper", "closed the case: collected unrecovered");
    }

    @Test
    void onlyWhatWasDeclinedClosesAsDeclined() {
        String number = logged();
        allReturned(number);
        assertThat(close(number, "declined", "").expect(409).sentence()).contains("decide on 'decline'");
        int version = una.get("/api/cases/" + number).json().get("version").asInt();
        una.post(
                        "/api/cases/" + number + "/triage/decision",
                        Map.of("path", "decline", "reason", "Worth less than the work.", "version", version))
                .expect(200);
        close(number, "declined", "").expect(200);
        una.delete(closing(number)).expect(200);
        assertThat(stage(number)).isEqualTo("declined");
    }

    @Test
    void aHeldCaseIsTakenUpBeforeItIsClosed() {
        String number = logged();
        allReturned(number);
        copyFound(number);
        una.post(
                        "/api/cases/" + number + "/hold",
                        Map.of(
                                "reason",
                                "their answer",
                                "until",
                                LocalDate.now(ZoneOffset.UTC).plusDays(3).toString()))
                .expect(200);
        assertThat(close(number, "copy-found", "x").expect(409).sentence()).contains("on hold");
    }

    @Test
    void nothingIsClosedWhileADeviceIsAttachedOrWorkGoesOn() {
        Story story =
                Story.ofD01().imaged("inbox/d01-fat16.img").scanned("structure").selectedWhole();
        allReturned(story.number);
        assertThat(close(story.number, "nothing-recoverable", "x").expect(409).sentence())
                .contains("inbox/d01-fat16.img is attached");
        una.delete(story.path("/bench/attachment")).expect(204);
        story.recovered();
        for (String table : List.of("scan_session", "recovery_run", "imaging_session")) {
            String its = " where case_id = (select id from lab_case where number = ?)";
            lab.sql().update("update " + table + " set state = 'RUNNING'" + its, story.number);
            assertThat(state(story.number).get("missing").size()).as(table).isEqualTo(1);
            lab.sql().update("update " + table + " set state = 'DONE'" + its, story.number);
        }
        assertThat(close(story.number, "delivered", "x").expect(409).sentence())
                .contains("No delivery of it is sealed");
        story.sealed();
        assertThat(close(story.number, "nothing-recoverable", "x").expect(409).sentence())
                .contains("is sealed and holds");
        assertThat(close(story.number, "delivered", " ").expect(400).sentence()).contains("No receipt was confirmed");
        close(story.number, "delivered", "on a stick, in person").expect(200);
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void aReceiptClosesACaseOfWhichNothingElseIsMissing(boolean noted) {
        String number = logged();
        if (noted) {
            allReturned(number);
        }
        lab.own(Closings.class).received(new Receipts.Received(number, "Hilda Crane", true));
        assertThat(stage(number)).as("it does not wait for a receipt").isEqualTo("received");
        lab.sql().update("update lab_case set stage = 'HANDOVER' where number = ?", number);
        lab.own(Closings.class).received(new Receipts.Received(number, "Hilda Crane", true));
        assertThat(stage(number)).isEqualTo(noted ? "closed" : "handover");
        assertThat(state(number).has("closed")).isEqualTo(noted);
    }

    @Test
    void twoWhoCloseAtOnceCloseItOnce() throws Exception {
        String number = logged();
        allReturned(number);
        copyFound(number);
        ExecutorService two = Executors.newFixedThreadPool(2);
        try {
            CountDownLatch go = new CountDownLatch(1);
            List<Future<Integer>> answers = Stream.of(una, lab.as("tom"))
                    .map(who -> two.submit(() -> {
                        go.await();
                        return who.post(closing(number), Map.of("outcome", "copy-found", "words", "there"))
                                .status();
                    }))
                    .toList();
            go.countDown();
            assertThat(List.of(answers.get(0).get(), answers.get(1).get())).containsExactlyInAnyOrder(200, 409);
        } finally {
            two.shutdownNow();
        }
        assertThat(custody(number).filter("closed the case: copy found"::equals))
                .hasSize(1);
    }
}
