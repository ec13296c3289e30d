package org.brantel.server.copies;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** The search for a copy: place by place, what it covers, and what triage learns of it. */
class CopiesTest {

    private final LocalDate today = LocalDate.now(ZoneOffset.UTC);

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");

    private static String logged() {
        return new CaseForms()
                .told("since.hours", "100")
                .wanted("the pictures", "image", "", 6)
                .wanted("letters", "document", "", 3)
                .log(Lab.open().as("una"));
    }

    private static String copies(String number) {
        return "/api/cases/" + number + "/copies";
    }

    private static Map<String, Object> finding(String place, String result, List<Long> covers) {
        Map<String, Object> finding = new HashMap<>(Map.of(
                "place", place,
                "called", "",
                "result", result,
                "lookedBy", "Hilda Crane",
                "opened", "",
                "covers", covers,
                "words", ""));
        return finding;
    }

    private static Map<String, Object> with(Map<String, Object> finding, String field, Object value) {
        finding.put(field, value);
        return finding;
    }

    private List<Long> wanted(String number) {
        return una.get(copies(number))
                .expect(200)
                .json()
                .get("lines")
                .valueStream()
                .map(l -> l.get("wantedId").asLong())
                .toList();
    }

    private static List<String> covers(JsonNode search) {
        return search.get("lines")
                .valueStream()
                .map(l -> l.get("cover").asString())
                .toList();
    }

    private Stream<String> facts(String number) {
        return una.get("/api/cases/" + number)
                .json()
                .get("facts")
                .valueStream()
                .filter(f -> f.get("code").asString().startsWith("copy."))
                .map(f -> f.get("code").asString() + "=" + f.get("value").asString());
    }

    @Test
    void everyKindOfPlaceIsThereBeforeAnybodyLooked() {
        JsonNode search = una.get(copies(logged())).expect(200).json();
        assertThat(search.get("places")
                        .valueStream()
                        .map(p -> p.get("place").asString() + " "
                                + p.get("finding").get("result").asString()))
                .containsExactly(
                        "trash to-look",
                        "backup to-look",
                        "version-history to-look",
                        "second-machine to-look",
                        "second-card to-look",
                        "cloud to-look",
                        "rescue-service to-look");
        assertThat(covers(search)).containsExactly("uncovered", "uncovered");
    }

    @Test
    void aLineIsCoveredOnlyWhereSomebodyOpenedASample() {
        String number = logged();
        List<Long> lines = wanted(number);
        JsonNode said = una.put(copies(number), finding("backup", "found", lines.subList(0, 1)))
                .expect(200)
                .json();
        assertThat(covers(said)).containsExactly("said", "uncovered");
        JsonNode opened = una.put(
                        copies(number), with(finding("backup", "found", lines.subList(0, 1)), "opened", "harvest.jpg"))
                .expect(200)
                .json();
        assertThat(covers(opened)).containsExactly("covered", "uncovered");
        assertThat(una.get("/api/cases/" + number + "/custody")
                        .json()
                        .get("entries")
                        .valueStream()
                        .map(e -> e.get("what").asString()))
                .filteredOn("found a copy in a backup"::equals)
                .hasSize(2);
        JsonNode back = una.put(copies(number), finding("backup", "to-look", lines))
                .expect(200)
                .json();
        assertThat(covers(back)).containsExactly("uncovered", "uncovered");
    }

    @Test
    void triageLearnsWhatWasFoundAndUnlearnsWhatIsTakenBack() {
        String number = logged();
        List<Long> lines = wanted(number);
        una.put(copies(number), finding("trash", "nothing", List.of())).expect(200);
        una.put(copies(number), finding("backup", "nothing", List.of())).expect(200);
        assertThat(facts(number)).as("nobody looked at versions").containsExactly("copy.trash=no");
        una.put(copies(number), finding("version-history", "nothing", List.of()))
                .expect(200);
        assertThat(facts(number)).containsExactlyInAnyOrder("copy.trash=no", "copy.backup=none");
        una.put(copies(number), with(finding("second-machine", "found", lines.subList(0, 1)), "called", "laptop"))
                .expect(200);
        assertThat(facts(number)).contains("copy.cloud=partly");
        Map<String, Object> office = with(finding("second-machine", "found", lines.subList(1, 2)), "called", "office");
        una.put(copies(number), office).expect(200);
        assertThat(facts(number)).as("nobody opened anything").contains("copy.cloud=partly");
        una.put(copies(number), with(office, "opened", "a letter")).expect(200);
        assertThat(facts(number)).as("what the laptop holds was only said").contains("copy.cloud=partly");
        Map<String, Object> laptop = with(finding("second-machine", "found", lines.subList(0, 1)), "called", "laptop");
        una.put(copies(number), with(laptop, "opened", "a picture")).expect(200);
        assertThat(facts(number)).as("two machines hold all together").contains("copy.cloud=yes");
        for (String machine : List.of("laptop", "office")) {
            una.put(copies(number), with(finding("second-machine", "to-look", List.of()), "called", machine))
                    .expect(200);
        }
        assertThat(facts(number)).containsExactlyInAnyOrder("copy.trash=no", "copy.backup=none");
    }

    @Test
    void aCopyThatIsNewerThanTheLossMayHoldTheLossItself() {
        String number = logged();
        for (int days : List.of(10, 0)) {
            String day = today.minusDays(days).toString();
            JsonNode search = una.put(copies(number), with(finding("cloud", "found", List.of()), "newest", day))
                    .expect(200)
                    .json();
            assertThat(search.get("places")
                            .valueStream()
                            .filter(p -> p.get("place").asString().equals("cloud"))
                            .map(p -> p.get("afterLoss").asBoolean()))
                    .containsExactly(days == 0);
        }
    }

    @Test
    void whatCannotBeIsRefusedAndNotesNothing() {
        String number = logged();
        String path = copies(number);
        assertThat(una.put(path, with(finding("cloud", "found", List.of()), "lookedBy", " "))
                        .expect(400)
                        .sentence())
                .contains("who looked");
        assertThat(una.put(
                                path,
                                with(
                                        finding("cloud", "found", List.of()),
                                        "newest",
                                        today.plusDays(3).toString()))
                        .expect(400)
                        .sentence())
                .contains("still to come");
        assertThat(una.put(path, finding("cloud", "found", wanted(logged())))
                        .expect(400)
                        .sentence())
                .contains("not one of " + number);
        una.put(path, with(finding("cloud", "found", List.of()), "words", "x".repeat(1001)))
                .expect(400);
        una.put(copies("BR-1999-0001"), finding("cloud", "nothing", List.of())).expect(404);
        assertThat(una.get(path).json().get("places").valueStream().filter(p -> p.has("noted")))
                .isEmpty();
    }

    @Test
    void anotherWantedListIsHeldAgainstWhatWasFound() {
        CaseForms form = new CaseForms().wanted("the pictures", "image", "", 6).wanted("letters", "document", "", 3);
        String number = form.log(una);
        una.put(copies(number), with(finding("backup", "found", wanted(number)), "opened", "one of each"))
                .expect(200);
        assertThat(facts(number)).containsExactly("copy.backup=current");
        JsonNode docket = una.get("/api/cases/" + number).json();
        form.wanted("the minutes", "document", "", 1)
                .observed("copy.backup", "current")
                .version(docket.get("version").asInt());
        una.put("/api/cases/" + number, form.build()).expect(200);
        assertThat(facts(number)).containsExactly("copy.backup=older");
        lab.sql()
                .update(
                        "delete from wanted_line where words = 'letters' and case_id = "
                                + "(select id from lab_case where number = ?)",
                        number);
        JsonNode backup = una.get(copies(number)).json().get("places").get(1);
        assertThat(backup.get("finding").get("covers").size())
                .as("nothing covers a line that is wanted no more")
                .isEqualTo(1);
        una.put(copies(number), with(finding("backup", "found", wanted(number)), "opened", "one of each"))
                .expect(200);
    }

    @Test
    void twoWhoNoteOnePlaceAtOnceNoteItOnce() throws Exception {
        String number = logged();
        Visitor tom = lab.as("tom");
        ExecutorService two = Executors.newFixedThreadPool(2);
        try {
            for (String place : List.of("trash", "backup", "cloud")) {
                List<Future<Integer>> answers = Stream.of(una, tom)
                        .map(who -> two.submit(() -> who.put(copies(number), finding(place, "nothing", List.of()))
                                .status()))
                        .toList();
                assertThat(List.of(answers.get(0).get(), answers.get(1).get()))
                        .isSubsetOf(200, 409)
                        .contains(200);
            }
        } finally {
            two.shutdownNow();
        }
        assertThat(una.get(copies(number)).json().get("places").size()).isEqualTo(7);
    }

    @ParameterizedTest
    @CsvSource({
        "copy.cloud, CLOUD FOUND 1 opened, SECOND_CARD FOUND 2 opened, yes",
        "copy.cloud, CLOUD FOUND 1 opened, SECOND_CARD FOUND 2, partly",
        "copy.cloud, CLOUD FOUND 1, SECOND_CARD NOTHING, partly",
        "copy.cloud, CLOUD NOTHING, SECOND_CARD NOTHING,",
        "copy.backup, BACKUP FOUND, VERSION_HISTORY NOTHING, older",
        "copy.backup, BACKUP NOTHING, VERSION_HISTORY NOTHING, none",
        "copy.trash, TRASH TO_LOOK, BACKUP FOUND 1,",
    })
    void factsSayNoMoreThanWasSeen(String code, String first, String second, String value) {
        List<CopyFacts.Place> places = Stream.of(first, second)
                .map(t -> t.split(" "))
                .map(t -> new CopyFacts.Place(
                        CopyPlace.valueOf(t[0]),
                        new CopyViews.Finding(
                                Result.valueOf(t[1]),
                                "",
                                null,
                                t.length > 3 ? t[3] : "",
                                t.length > 2 ? List.of(Long.valueOf(t[2])) : List.of(),
                                "")))
                .toList();
        CopyFacts fact = CopyFacts.ALL.stream()
                .filter(f -> f.code().equals(code))
                .findFirst()
                .orElseThrow();
        assertThat(fact.of(places, Set.of(1L, 2L)).map(CaseForm.Fact::value))
                .containsExactlyElementsOf(value == null ? List.of() : List.of(value));
    }
}
