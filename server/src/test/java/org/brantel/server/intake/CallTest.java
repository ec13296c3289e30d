package org.brantel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Map;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * What belongs to a call besides the case itself: what is heard, several devices, deadlines, holding and handing over.
 */
class CallTest {

    private final Visitor una = Lab.open().as("una");

    private JsonNode docket(String number) {
        return una.get("/api/cases/" + number).expect(200).json();
    }

    @Test
    void factsArePickedOutOfTheLineWithTheirPlace() {
        String line =
                "Fell off the bench, clicks, 2TB disk, needs it by friday, about forty voice memos from last June";
        JsonNode heard =
                una.post("/api/intake/heard", Map.of("text", line)).expect(200).json();
        JsonNode clicks = heard.get("facts")
                .valueStream()
                .filter(f -> f.get("code").asString().equals("symptom.noise"))
                .findFirst()
                .orElseThrow();
        assertThat(line.substring(clicks.get("from").asInt(), clicks.get("to").asInt()))
                .isEqualTo("clicks");
        assertThat(heard.get("capacity").asString()).isEqualTo("2TB");
        assertThat(LocalDate.parse(heard.get("deadline").get("day").asString()))
                .isAfterOrEqualTo(LocalDate.now(ZoneId.systemDefault()).minusDays(1));
        assertThat(heard.get("wanted").get(0).get("line").get("hopedFor").asInt())
                .isEqualTo(40);
        assertThat(una.post("/api/intake/wanted", Map.of("text", "pictures of the pier since 2011"))
                        .json()
                        .get("changedFrom")
                        .asString())
                .isEqualTo("2011-01-01");
        assertThat(una.get("/api/intake/capacity?text=14.9%20GiB")
                        .json()
                        .get("bytes")
                        .asLong())
                .isEqualTo(15_998_753_178L);
        assertThat(una.get("/api/intake/capacity?text=0%20GB").expect(400).sentence())
                .contains("capacity of 0 is not possible");
    }

    @Test
    void aPastedBookIsRefusedInOneSentence() {
        assertThat(una.post("/api/intake/heard", Map.of("text", "click ".repeat(4000)))
                        .expect(400)
                        .sentence())
                .contains("20,000 characters")
                .contains("Nothing of it is lost");
        assertThat(una.post(
                                "/api/cases",
                                new CaseForms().story("x".repeat(10 << 20)).build())
                        .expect(413)
                        .sentence())
                .contains("larger than 2 MiB")
                .contains("still in this browser");
    }

    @Test
    void aSetIsLoggedWithItsMembersAndSlots() {
        String number = new CaseForms()
                .device("type", "nas")
                .device("setName", "hall")
                .another("hdd", "setName", "hall")
                .another("hdd", "setName", "hall")
                .log(una);
        JsonNode devices = docket(number).get("devices");
        assertThat(devices.size()).isEqualTo(3);
        assertThat(devices.get(2).get("position").asInt()).isEqualTo(3);
        CaseForms edited = new CaseForms()
                .device("type", "nas")
                .device("id", devices.get(0).get("id").asInt())
                .another("hdd", "id", devices.get(2).get("id").asInt())
                .version(docket(number).get("version").asInt());
        una.put("/api/cases/" + number, edited.build()).expect(200);
        JsonNode after = docket(number).get("devices");
        assertThat(after.size()).isEqualTo(2);
        assertThat(after.get(1).get("id").asInt())
                .as("a device keeps its record")
                .isEqualTo(devices.get(2).get("id").asInt());
        assertThat(una.get("/api/cases?medium=nas&size=500").text()).contains(number);
        assertThat(una.get("/api/cases?medium=tape&size=500").text()).doesNotContain(number);
    }

    @Test
    void daysThatCannotBeAreRefused() {
        assertThat(una.post("/api/cases", new CaseForms().deadline("1970-01-01").build())
                        .expect(400)
                        .sentence())
                .contains("1970-01-01 has passed");
        assertThat(una.post("/api/cases", new CaseForms().deadline("2999-01-01").build())
                        .expect(400)
                        .sentence())
                .contains("not plausible");
        assertThat(una.post(
                                "/api/cases",
                                new CaseForms()
                                        .device("entitledUntil", "1901-01-01")
                                        .build())
                        .expect(400)
                        .sentence())
                .contains("warranty")
                .contains("not plausible");
        assertThat(una.post("/api/cases", new CaseForms().deadline("31 May").build())
                        .expect(400)
                        .sentence())
                .contains("A date could not be read");
        assertThat(una.post("/api/cases", new CaseForms().device("slot", 0).build())
                        .expect(400)
                        .sentence())
                .contains("Slots are counted from 1");
        assertThat(una.post(
                                "/api/cases",
                                new CaseForms().device("capacity", "0").build())
                        .expect(400)
                        .sentence())
                .contains("capacity of 0");
    }

    @Test
    void aWantedLineWithDaysThatCannotBeIsRefused() {
        String ahead = LocalDate.now(ZoneId.systemDefault()).plusYears(2).toString();
        refused(new CaseForms().wantedFrom("otters", "2024-02-30", "2024-03-01"), "A date could not be read");
        refused(
                new CaseForms().wantedFrom("otters", "2024-06-30", "2024-06-01"),
                "“otters” ends on 2024-06-01, before it begins");
        refused(
                new CaseForms().wantedFrom("otters", ahead, ahead),
                "“otters” begins on " + ahead + ", which is still to come");
        refused(new CaseForms().wantedFrom("otters", "1901-01-01", "2024-06-01"), "1901-01-01 is not plausible");
    }

    private void refused(CaseForms form, String words) {
        assertThat(una.post("/api/cases", form.build()).expect(400).sentence()).contains(words);
    }

    /** As much as fits into one line: 10,000 words are heard to the last. */
    @Test
    void aLongCallIsHeardToItsEnd() {
        String line = "a ".repeat(9_990) + "it clicks";
        assertThat(line.split(" ")).hasSizeGreaterThan(9_990);
        JsonNode facts = una.post("/api/intake/heard", Map.of("text", line))
                .expect(200)
                .json()
                .get("facts");
        assertThat(facts.valueStream().map(f -> f.get("value").asString())).containsExactly("clicking");
    }

    @Test
    void aDeadlineThatPassedLaterDoesNotBlockAnEdit() {
        String number = new CaseForms()
                .deadline(LocalDate.now(ZoneId.systemDefault()).plusDays(3).toString())
                .log(una);
        Lab.open().sql().update("update lab_case set deadline = date '2026-01-05' where number = ?", number);
        una.put(
                        "/api/cases/" + number,
                        new CaseForms()
                                .deadline("2026-01-05")
                                .version(docket(number).get("version").asInt())
                                .build())
                .expect(200);
    }

    @Test
    void aHeldCaseWakesWhereItWas() {
        String number = new CaseForms().told("loss.event", "dropped").log(una);
        String soon = LocalDate.now(ZoneId.systemDefault()).plusDays(4).toString();
        assertThat(una.post("/api/cases/" + number + "/hold", Map.of("reason", " ", "until", soon))
                        .expect(400)
                        .sentence())
                .contains("what the case waits for");
        assertThat(una.post("/api/cases/" + number + "/hold", Map.of("reason", "a cable", "until", "2020-01-01"))
                        .expect(400)
                        .sentence())
                .contains("from tomorrow");
        JsonNode held = una.post("/api/cases/" + number + "/hold", Map.of("reason", "a cable", "until", soon))
                .expect(200)
                .json();
        assertThat(held.get("stage").asString()).isEqualTo("on-hold");
        assertThat(held.get("hold").get("from").asString()).isEqualTo("received");
        assertThat(una.get("/api/desk?listed=1000").text()).doesNotContain(number + "-Hold");
        Lab.open().sql().update("update lab_case set hold_until = current_date - 1 where number = ?", number);
        assertThat(una.get("/api/desk?listed=1000").text())
                .contains(number + "-Hold")
                .contains("a cable");
        JsonNode awake = una.post("/api/cases/" + number + "/wake").expect(200).json();
        assertThat(awake.get("stage").asString()).isEqualTo("received");
        assertThat(awake.get("hold")).isNull();
        assertThat(una.post("/api/cases/" + number + "/wake").expect(409).sentence())
                .contains("not on hold");
        assertThat(una.get("/api/cases/" + number + "/custody").text())
                .contains("held the case")
                .contains("took the case up again");
    }

    @Test
    void aCaseThatWasLoggedByMistakeIsTakenBackAndNobodyHears() {
        String number = new CaseForms().consent("mail", true).log(una);
        una.delete("/api/cases/" + number).expect(204);
        assertThat(una.get("/api/cases/" + number).json().get("stage").asString())
                .isEqualTo("closed");
        assertThat(una.get("/api/outbox?number=" + number)
                        .json()
                        .get("messages")
                        .get("items")
                        .get(0)
                        .get("state")
                        .asString())
                .isEqualTo("cancelled");
        assertThat(una.get("/api/cases/" + number + "/custody").text()).contains("took back that it was logged");
        assertThat(una.delete("/api/cases/" + number).expect(409).sentence()).contains("has gone on");
    }

    @Test
    void aCaseThatSomebodyWorkedOnIsNotTakenBack() {
        String number = new CaseForms().log(una);
        String soon = LocalDate.now(ZoneId.systemDefault()).plusDays(4).toString();
        una.post("/api/cases/" + number + "/hold", Map.of("reason", "a cable", "until", soon))
                .expect(200);
        una.delete("/api/cases/" + number + "/hold").expect(200);
        una.await("/api/cases/" + number + "/custody", c -> c.get("entries").size() > 1);
        assertThat(una.delete("/api/cases/" + number).expect(409).sentence()).contains("has gone on");
    }

    @Test
    void aHoldThatIsTakenBackLeavesTheClockAsItRan() {
        String number = new CaseForms().told("loss.event", "dropped").log(una);
        String of = "/api/cases/" + number;
        Lab.open()
                .sql()
                .update("update lab_case set stage_since = now() - interval '9 hours' where number = ?", number);
        Lab.open()
                .sql()
                .update(
                        "update case_stage set at = now() - interval '9 hours' "
                                + "where case_id = (select id from lab_case where number = ?)",
                        number);
        Instant due = Instant.parse(una.get(of).json().get("due").asString());
        String soon = LocalDate.now(ZoneId.systemDefault()).plusDays(4).toString();
        una.post(of + "/hold", Map.of("reason", "a cable", "until", soon)).expect(200);
        una.delete(of + "/hold").expect(200);
        assertThat(Instant.parse(una.get(of).json().get("due").asString()))
                .isBetween(due.minusSeconds(2), due.plusSeconds(2));
        assertThat(una.delete(of + "/hold").expect(409).sentence()).contains("not on hold any more");
    }

    @Test
    void aHoldIsPutBackAsItWasThoughItsDayHasCome() {
        String number = new CaseForms().told("loss.event", "dropped").log(una);
        String of = "/api/cases/" + number;
        Map<String, String> hold = Map.of(
                "reason",
                "a cable",
                "until",
                LocalDate.now(ZoneId.systemDefault()).toString());
        assertThat(una.put(of + "/hold", hold).expect(409).sentence()).contains("was not on hold");
        una.post(
                        of + "/hold",
                        Map.of(
                                "reason",
                                "a cable",
                                "until",
                                LocalDate.now(ZoneId.systemDefault())
                                        .plusDays(1)
                                        .toString()))
                .expect(200);
        una.post(of + "/wake").expect(200);
        JsonNode held = una.put(of + "/hold", hold).expect(200).json();
        assertThat(held.get("stage").asString()).isEqualTo("on-hold");
        assertThat(held.get("hold").get("from").asString()).isEqualTo("received");
        assertThat(held.get("hold").get("until").asString()).isEqualTo(hold.get("until"));
    }

    @Test
    void aCaseIsHandedOverToAColleague() {
        String number = new CaseForms().log(una);
        assertThat(una.post("/api/cases/" + number + "/owner", Map.of("login", "nobody"))
                        .expect(400)
                        .sentence())
                .contains("nobody with the sign-in name");
        assertThat(una.post("/api/cases/" + number + "/owner", Map.of("login", "tom"))
                        .expect(200)
                        .json()
                        .get("owner")
                        .get("name")
                        .asString())
                .isEqualTo("Tom Gale");
        assertThat(una.get("/api/cases?owner=tom&size=500").text()).contains(number);
    }

    /** Two colleagues of before names were told apart may be called the same; they are two all the same. */
    @Test
    void aCaseIsOnePersonsOfTwoWithOneName() {
        Visitor petra = Lab.open().as("petra");
        petra.post(
                        "/api/staff",
                        Map.of("login", "tom2", "name", "Tom Gale II", "role", "ENGINEER", "password", Lab.PASSWORD))
                .expect(201);
        Lab.open().sql().update("update staff set name = 'Tom Gale' where login = 'tom2'");
        String number = new CaseForms().log(una);
        una.post("/api/cases/" + number + "/owner", Map.of("login", "tom2")).expect(200);
        assertThat(una.get("/api/cases?owner=tom2&size=500").text()).contains(number);
        assertThat(una.get("/api/cases?owner=tom&size=500").text()).doesNotContain(number);
        assertThat(una.get("/api/cases/workload").json().get("tom2").asInt()).isEqualTo(1);
    }

    @Test
    void whatWasCorrectedStaysReadable() {
        String number = new CaseForms().told("symptom.noise", "none").log(una);
        una.put(
                        "/api/cases/" + number,
                        new CaseForms()
                                .told("symptom.noise", "clicking")
                                .version(docket(number).get("version").asInt())
                                .build())
                .expect(200);
        JsonNode corrected = una.get("/api/cases/" + number + "/corrected")
                .expect(200)
                .json()
                .get(0);
        assertThat(corrected.get("fact").get("value").asString()).isEqualTo("none");
        assertThat(corrected.get("withdrawnBy").asString()).isEqualTo("Una Farrow");
    }

    @Test
    void consentIsKeptAsItWasGiven() {
        String number = new CaseForms()
                .consent("look", "names")
                .consent("told", "her sister")
                .consent("mail", true)
                .log(una);
        JsonNode consent = docket(number).get("consent");
        assertThat(consent.get("look").asString()
                        + consent.get("told").asString()
                        + consent.get("mail").asBoolean()
                        + consent.get("termsRead").asBoolean())
                .isEqualTo("namesher sistertruefalse");
        assertThat(una.post(
                                "/api/cases",
                                new CaseForms().consent("look", "everything").build())
                        .expect(400)
                        .sentence())
                .contains("names, previews or contents");
    }
}
