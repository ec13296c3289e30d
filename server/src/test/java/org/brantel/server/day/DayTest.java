package org.brantel.server.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A manager's questions, answered from what is on record. */
class DayTest {

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");
    private final Visitor petra = lab.as("petra");

    private JsonNode day() {
        return petra.get("/api/day").expect(200).json();
    }

    private static Optional<JsonNode> of(JsonNode list, String number) {
        return list.valueStream()
                .filter(e -> e.has("caseNumber")
                        ? e.get("caseNumber").asString().equals(number)
                        : e.get("of").get("number").asString().equals(number))
                .findFirst();
    }

    private void change(String number, String column, String value) {
        lab.sql().update("update lab_case set " + column + " where number = ?", value, number);
    }

    @Test
    void lateIsWhoseClockRanOutOrWhoseDayHasPassedAndNotWhoWaitsOnHold() {
        String byClock = new CaseForms().log(una);
        change(byClock, "stage_since = now() - ?::interval", "900 hours");
        String needed = new CaseForms().log(una);
        change(
                needed,
                "deadline = ?::date",
                LocalDate.now(ZoneOffset.UTC).minusDays(3).toString());
        String today = new CaseForms()
                .deadline(LocalDate.now(ZoneOffset.UTC).toString())
                .log(una);
        String held = new CaseForms().log(una);
        change(held, "stage_since = now() - ?::interval", "900 hours");
        una.post(
                        "/api/cases/" + held + "/hold",
                        Map.of(
                                "reason",
                                "Waits for a cable.",
                                "until",
                                LocalDate.now(ZoneOffset.UTC).plusDays(5).toString()))
                .expect(200);
        JsonNode late = day().get("late");
        assertThat(of(late, byClock)).hasValueSatisfying(l -> {
            assertThat(l.get("clock").asBoolean()).isTrue();
            assertThat(l.get("needed").asBoolean()).isFalse();
        });
        assertThat(of(late, needed))
                .hasValueSatisfying(l -> assertThat(l.get("needed").asBoolean()).isTrue());
        assertThat(of(late, today)).isEmpty();
        assertThat(of(late, held)).isEmpty();
        List<Instant> since = late.valueStream()
                .map(l -> Instant.parse(l.get("since").asString()))
                .toList();
        assertThat(since).as("the longest first").isSorted();
    }

    @Test
    void openMoneyIsThePriceListsBandsAndSaysWhatIsNotInThem() {
        JsonNode before = day().get("money");
        String path = Story.of(
                        new CaseForms().told("loss.event", "deleted-directly").device("capacity", "3 TB"))
                .decided()
                .number;
        Story.of(new CaseForms().told("loss.event", "deleted-directly")).decided();
        new CaseForms().log(una);
        JsonNode estimate =
                una.get("/api/cases/" + path + "/triage/estimate").json().get("quote");
        JsonNode after = day().get("money");
        assertThat(after.get("undecided").asInt() - before.get("undecided").asInt())
                .isEqualTo(1);
        assertThat(after.get("unsized").asInt() - before.get("unsized").asInt()).isEqualTo(1);
        double perTerabyte = petra.get("/api/settings")
                .json()
                .get("prices")
                .get("perTerabyte")
                .asDouble();
        double more = sum(after, "low") - sum(before, "low");
        assertThat(more)
                .as("one of 3 TB, and one of whom nobody knows how large it is")
                .isEqualTo(2 * estimate.get("low").asDouble() - 2 * perTerabyte);
    }

    private static double sum(JsonNode money, String end) {
        return money.get("stages")
                .valueStream()
                .mapToDouble(s -> s.get(end).asDouble())
                .sum();
    }

    @Test
    void whatAColleagueDidIsCountedByHourAndListedInOrder() {
        String number = new CaseForms().log(una);
        lab.as("tom").post("/api/cases/" + number + "/notes", Map.of("text", "no custody of its own"));
        JsonNode ledger = petra.get("/api/ledger/day").expect(200).json();
        JsonNode hers = ledger.get("people")
                .valueStream()
                .filter(p -> p.get("who").asString().startsWith("Una"))
                .findFirst()
                .orElseThrow();
        assertThat(hers.get("hours").size()).isEqualTo(24);
        assertThat(hers.get("hours").valueStream().mapToLong(JsonNode::asLong).sum())
                .isEqualTo(hers.get("entries").asLong());
        assertThat(hers.get("cases").asLong()).isBetween(1L, hers.get("entries").asLong());
        String who = hers.get("who").asString().replace(" ", "%20");
        JsonNode entries = petra.get(
                        "/api/ledger/day/entries?on=" + ledger.get("today").asString() + "&who=" + who)
                .expect(200)
                .json();
        assertThat(entries.get("total").asLong()).isEqualTo(hers.get("entries").asLong());
        assertThat(entries.get("items").valueStream())
                .allMatch(e -> e.get("who").asString().equals(hers.get("who").asString()))
                .anyMatch(e -> e.get("caseNumber").asString().equals(number));
        assertThat(petra.get("/api/ledger/day?on=1999-12-31")
                        .json()
                        .get("people")
                        .size())
                .isZero();
        assertThat(petra.get("/api/ledger/day?on=yesterday").status()).isEqualTo(400);
    }

    @Test
    void whatWasDeclinedHasEndedAndCountsFromTheDayThatItDid() {
        String number = new CaseForms().log(una);
        JsonNode docket = una.get("/api/cases/" + number).json();
        una.post(
                        "/api/cases/" + number + "/triage/decision",
                        Map.of(
                                "path",
                                "decline",
                                "reason",
                                "Worth less than the work.",
                                "version",
                                docket.get("version").asInt()))
                .expect(200);
        assertThat(of(day().get("ended"), number)).hasValueSatisfying(e -> {
            assertThat(e.get("how").asString()).isEqualTo("declined");
            assertThat(e.get("complete").asBoolean()).isFalse();
        });
        change(number, "stage_since = now() - ?::interval", "31 days");
        assertThat(of(day().get("ended"), number)).isEmpty();
        assertThat(of(petra.get("/api/day?days=40").json().get("ended"), number))
                .isPresent();
        assertThat(petra.get("/api/day?days=0").expect(400).sentence()).contains("1 to");
    }

    @Test
    void whatWasTakenBackRightAfterItWasLoggedNeverBegan() {
        String number = new CaseForms().log(una);
        una.delete("/api/cases/" + number).expect(204);
        assertThat(una.get("/api/cases/" + number).json().get("stage").asString())
                .isEqualTo("closed");
        assertThat(of(day().get("ended"), number)).isEmpty();
        assertThat(of(day().get("late"), number)).isEmpty();
    }
}
