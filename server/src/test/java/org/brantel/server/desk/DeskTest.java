package org.brantel.server.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.brantel.core.health.HealthReading;
import org.brantel.core.json.Json;
import org.brantel.server.asks.Harm;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class DeskTest {

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");

    private void since(String number, String interval) {
        lab.sql().update("update lab_case set stage_since = now() - ?::interval where number = ?", interval, number);
    }

    private JsonNode decisionOf(String number) {
        return una.get("/api/desk?listed=1000")
                .json()
                .get("decisions")
                .valueStream()
                .filter(d -> d.get("caseNumber").asString().equals(number))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void theMostPressingComesFirstAndIsDecidedInPlace() {
        String late = new CaseForms()
                .device("type", "hdd")
                .told("symptom.noise", "clicking")
                .log(una);
        since(late, "900 hours");
        JsonNode first = una.get("/api/desk?listed=1000")
                .json()
                .get("decisions")
                .valueStream()
                .filter(d ->
                        d.get("presses").isEmpty() && d.get("harm").asString().equals("clock"))
                .findFirst()
                .orElseThrow();
        assertThat(first.get("caseNumber").asString()).isEqualTo(late);
        assertThat(first.get("question").asString()).isEqualTo("Hardware work?");
        JsonNode take = first.get("actions").get(0);
        assertThat(take.get("call").get("path").asString()).isEqualTo("/api/cases/" + late + "/triage/decision");
        assertThat(take.get("call").get("body").get("path").asString()).isEqualTo("hardware-work");
        assertThat(take.get("undo").get("call").get("path").asString())
                .isEqualTo("/api/cases/" + late + "/triage/undo");
        assertThat(una.get("/api/desk?listed=1000").json().get("overdue").asInt())
                .isPositive();
        assertThat(una.get("/api/cases?late=true&size=500").text()).contains(late);
    }

    @Test
    void whatHarmsADeviceStandsBeforeEveryClock() {
        Question.Of of = new Question.Of("BR-1", "Hilda Crane", null);
        Instant now = Instant.EPOCH;
        List<Question> sorted = Stream.of(
                        question("late clock", of, new Question.Waits(now, now.plusSeconds(10), Harm.CLOCK)),
                        question("no clock", of, new Question.Waits(now, null, Harm.CLOCK)),
                        question("stands still", of, new Question.Waits(now, now.plusSeconds(5), Harm.WORK)),
                        question("limit", of, new Question.Waits(now, now.plusSeconds(900), Harm.DEVICE)))
                .sorted(Question.MOST_PRESSING_FIRST)
                .toList();
        assertThat(sorted).extracting(Question::key).containsExactly("limit", "stands still", "late clock", "no clock");
    }

    private static Question question(String key, Question.Of of, Question.Waits waits) {
        return new Question(key, of, "", "", "", Place.IMAGING, waits, List.of());
    }

    @Test
    void whatIsDecidedElsewhereDoesNotWaitAtTheBench() {
        String away = new CaseForms().told("symptom.noise", "clicking").log(una);
        String here = new CaseForms().told("symptom.noise", "clicking").log(una);
        decide(away, "hardware-work");
        decide(here, "careful-imaging");
        JsonNode waiting = una.get("/api/bench").json().get("waiting");
        assertThat(waiting.toString()).contains(here).doesNotContain(away);
    }

    private void decide(String number, String path) {
        int version = una.get("/api/cases/" + number).json().get("version").asInt();
        una.post(
                        "/api/cases/" + number + "/triage/decision",
                        Map.of("path", path, "reason", "The partner says so.", "version", version))
                .expect(200);
    }

    @Test
    void whatMustNotBePoweredIsNotToBeAttached() {
        String number = new CaseForms()
                .device("type", "hdd")
                .told("symptom.noise", "clicking")
                .log(una);
        int version = una.get("/api/cases/" + number).json().get("version").asInt();
        una.post("/api/cases/" + number + "/triage/decision", Map.of("path", "hardware-work", "version", version))
                .expect(200);
        JsonNode decision = decisionOf(number);
        assertThat(decision.get("question").asString()).isEqualTo("Send the device to the partner?");
        assertThat(decision.get("reason").asString()).contains("Do not power it");
        assertThat(decision.get("actions").toString()).doesNotContain("imaging");
    }

    @Test
    void pathsThatAreCloseAreNotOfferedWithOneKey() {
        String number = new CaseForms()
                .device("type", "hdd")
                .told("symptom.appears", "files-missing")
                .told("copy.cloud", "partly")
                .log(una);
        since(number, "899 hours");
        JsonNode decision = decisionOf(number);
        assertThat(decision.get("question").asString()).contains(", or ");
        assertThat(decision.get("actions")
                        .valueStream()
                        .map(a -> a.get("opens").asString())
                        .toList())
                .containsExactly("triaged");
    }

    @Test
    void casesAreFoundByWhateverStandsOnThem() {
        String number = new CaseForms()
                .customer("name", "Thrift Cliff Observatory")
                .customer("phone", "0149 771 233")
                .device("serial", "TQ9-77B-01234")
                .wanted("the comet plates", "", "", 3)
                .log(una);
        for (String typed : List.of(
                number,
                number.substring(3),
                "thrift observatory",
                "0149771233",
                "TQ9-77B-01234",
                "tq977b01234",
                "comet%20plates",
                number + "/1")) {
            assertThat(una.get("/api/find?q=" + typed.replace(" ", "%20"))
                            .json()
                            .toString())
                    .as(typed)
                    .contains(number);
        }
    }

    @Test
    void typingMistakesAreForgivenAndSaidSo() {
        String number =
                new CaseForms().customer("name", "Gullstone Lifeboat House").log(una);
        for (String typed : List.of("gulstone", "lifebaot%20gullstone", "gullstone%20lifebot")) {
            JsonNode found = una.get("/api/find?q=" + typed).json().get(0);
            assertThat(found.get("to").asString()).as(typed).isEqualTo("/cases/" + number);
            assertThat(found.get("near").asBoolean()).isTrue();
        }
        assertThat(una.get("/api/find?q=gullstone").json().get(0).get("near").asBoolean())
                .isFalse();
        assertThat(una.get("/api/find?q=").json().size()).isZero();
        assertThat(una.get("/api/find?q=%25%25%25").json().size())
                .as("signs of the pattern are only signs")
                .isZero();
        assertThat(una.get("/api/find?q=" + "xyzzy".repeat(60))
                        .expect(200)
                        .json()
                        .size())
                .isZero();
    }

    @Test
    void eachWordMayHaveItsOwnMistake() {
        String museum = new CaseForms()
                .customer("name", "Gannet Head Lighthouse Museum")
                .log(una);
        String band = new CaseForms().customer("name", "Thornwick Village Band").log(una);
        assertThat(find("ganet hed museum").get(0).get("to").asString()).isEqualTo("/cases/" + museum);
        assertThat(find("thornwick village bend").get(0).get("to").asString()).isEqualTo("/cases/" + band);
    }

    @Test
    void factsStoriesCallersAndDraftsAreFoundAndTheWordThatMatchedIsShown() {
        String number = new CaseForms()
                .customer("name", "Sallow Weir Mill")
                .customer("contactPerson", "Ottoline Quern")
                .told("symptom.noise", "scratching")
                .log(una);
        assertThat(find("quern sallow").get(0).get("by").get(0).asString()).isEqualTo("quern");
        assertThat(find("scratching weir").get(0).get("to").asString()).isEqualTo("/cases/" + number);
        assertThat(find("emptied weir").get(0).get("by").get(0).asString()).isEqualTo("emptied");
        una.put("/api/drafts/new-sallow-1", Map.of("title", "Linus Tarn, Sallow Ferry", "form", "{}"))
                .expect(200);
        JsonNode draft = find("tarn ferry").get(0);
        assertThat(draft.get("to").asString()).isEqualTo("/intake?draft=new-sallow-1");
        assertThat(draft.get("hint").asString()).startsWith("call not logged yet");
    }

    private JsonNode find(String typed) {
        return una.get("/api/find?q=" + typed.replace(" ", "%20")).json();
    }

    @Test
    void aFilterIsKeptByItsOwnerAlone() {
        JsonNode kept = una.post(
                        "/api/filters", Map.of("name", "Tom's late ones", "query", "owner=Tom%20Gale&late=true"))
                .expect(201)
                .json();
        una.post("/api/filters", Map.of("name", "Tom's late ones", "query", "late=true"))
                .expect(201);
        assertThat(una.get("/api/filters").json().size())
                .as("the same name is replaced")
                .isEqualTo(1);
        assertThat(lab.as("tom").get("/api/filters").json().size()).isZero();
        lab.as("tom").delete("/api/filters/" + kept.get("id").asInt()).expect(404);
        una.post("/api/filters", Map.of("name", "x", "query", "javascript:alert(1)//<b>"))
                .expect(400);
        una.delete("/api/filters/" + kept.get("id").asInt()).expect(204);
    }

    @Test
    void todayHoldsWhatHasATime() {
        String number = new CaseForms()
                .deadline(LocalDate.now(ZoneOffset.UTC).toString())
                .log(una);
        JsonNode desk = una.get("/api/desk").json();
        assertThat(desk.get("today").toString())
                .as("what was promised is listed however many clocks run out")
                .contains("Files are needed");
        assertThat(desk.get("timed").asInt())
                .isGreaterThanOrEqualTo(desk.get("today").size());
        una.get("/api/cases?state=burnt").expect(400);
        una.get("/api/cases?stage=lunch").expect(400);
        una.get("/api/cases?size=100000").expect(400);
        assertThat(una.get("/api/cases/names?numbers=" + number + "&numbers=BR-0000-0000")
                        .json()
                        .size())
                .isEqualTo(1);
    }

    private static List<String> presses(JsonNode decision) {
        return decision.get("presses").valueStream().map(JsonNode::asString).toList();
    }

    @Test
    void whatIsDiscardedPressesBeforeEveryClockWithItsHours() {
        String calm =
                new CaseForms().device("type", "ssd").told("trim", "active").log(una);
        String losing = new CaseForms()
                .device("type", "ssd")
                .told("trim", "active")
                .told("loss.event", "deleted-directly")
                .told("since.hours", "5")
                .log(una);
        String unsaid = new CaseForms()
                .device("type", "ssd")
                .told("trim", "active")
                .told("loss.event", "formatted")
                .log(una);
        since(calm, "500 hours");
        assertThat(presses(decisionOf(calm))).isEmpty();
        assertThat(presses(decisionOf(losing)))
                .containsExactly("The device discards what was deleted while it has power; the loss was 5 hours ago.");
        assertThat(presses(decisionOf(unsaid))).singleElement().asString().contains("nobody said since when");
        String second = new CaseForms()
                .device("type", "hdd")
                .another("ssd", "serial", "S-2")
                .toldOf(2, "trim", "active")
                .told("loss.event", "deleted-directly")
                .told("since.hours", "5")
                .log(una);
        assertThat(presses(decisionOf(second)))
                .containsExactly("What was deleted on device 2 is discarded under power; the loss was 5 hours ago.");
        String other = new CaseForms()
                .device("type", "hdd")
                .another("ssd", "serial", "S-3")
                .toldOf(1, "loss.event", "deleted-directly")
                .toldOf(2, "loss.event", "dropped")
                .toldOf(2, "trim", "active")
                .log(una);
        assertThat(presses(decisionOf(other)))
                .as("it was deleted on the disk, and the other device discards")
                .isEmpty();
        String apart = new CaseForms()
                .device("type", "hdd")
                .another("ssd", "serial", "S-4")
                .toldOf(1, "since.hours", "5")
                .toldOf(2, "trim", "active")
                .toldOf(2, "loss.event", "formatted")
                .toldOf(2, "since.hours", "30")
                .log(una);
        assertThat(presses(decisionOf(apart)))
                .as("the hours of the device that discards, not of the other")
                .containsExactly("What was deleted on device 2 is discarded under power; the loss was 30 hours ago.");
        String gone = new CaseForms()
                .device("type", "ssd")
                .told("trim", "active")
                .told("loss.event", "formatted")
                .told("since.hours", "400")
                .log(una);
        assertThat(presses(decisionOf(gone)))
                .as("what is left after weeks is not lost by an hour")
                .isEmpty();
        List<String> order = una.get("/api/desk?listed=1000")
                .json()
                .get("decisions")
                .valueStream()
                .map(d -> d.get("caseNumber").asString())
                .toList();
        assertThat(order.indexOf(losing)).isLessThan(order.indexOf(calm));
    }

    @Test
    void filesThatAreNeededSoonPressWithTheirDay() {
        LocalDate today = LocalDate.now(ZoneOffset.UTC);
        String soon = new CaseForms().deadline(today.plusDays(1).toString()).log(una);
        String later = new CaseForms().deadline(today.plusDays(6).toString()).log(una);
        assertThat(presses(decisionOf(soon))).containsExactly("The files are needed tomorrow.");
        assertThat(presses(decisionOf(later))).isEmpty();
        lab.sql().update("update lab_case set deadline = current_date - 3 where number = ?", soon);
        assertThat(presses(decisionOf(soon))).containsExactly("The files were needed 3 days ago.");
    }

    @Test
    void aDeviceThatReadsWorseEveryDaySaysByHowMuch() {
        String number = Story.ofD01().decided().attached("inbox/d01-fat16.img").number;
        Long caseId = lab.sql().queryForObject("select id from lab_case where number = ?", Long.class, number);
        reading(caseId, 30, "100 hours");
        reading(caseId, 40, "26 hours");
        reading(caseId, 240, "1 hour");
        assertThat(presses(decisionOf(number))).containsExactly("It reads worse: 200 sectors more in 25 hours.");
        lab.sql().update("update lab_case set stage = 'SELECTION' where id = ?", caseId);
        assertThat(una.get("/api/desk?listed=1000").text())
                .as("it was read to its end")
                .doesNotContain("200 sectors more");
        lab.sql().update("update lab_case set stage = 'TRIAGED' where id = ?", caseId);
        lab.sql().update("update health_reading set at = at - interval '3 days' where case_id = ?", caseId);
        assertThat(presses(decisionOf(number))).as("nobody asked it today").isEmpty();
    }

    private void reading(Long caseId, long pending, String ago) {
        HealthReading reading = new HealthReading(
                HealthReading.Origin.BY_HAND,
                new HealthReading.State(null, null, null),
                new HealthReading.Damage(3L, pending, null),
                HealthReading.Wear.UNKNOWN,
                0,
                List.of());
        lab.sql()
                .update(
                        "insert into health_reading (case_id, attachment_id, at, reading, grade, who) "
                                + "select case_id, id, now() - ?::interval, ?, 'poor', 'Tom' from attachment "
                                + "where case_id = ?",
                        ago,
                        Json.write(reading),
                        caseId);
    }
}
