package org.brantel.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class IntakeTest {

    private final Lab lab = Lab.open();
    private final Visitor una = lab.as("una");

    @Test
    void aLoggedCaseIsThereAsItWasSaid() {
        String hostile = "<script>alert('x')</script> \u202e \ud83d\udc1d";
        String number = new CaseForms()
                .customer("name", hostile)
                .story(hostile)
                .device("capacity", "32 GB")
                .told("loss.event", "formatted")
                .told("loss.event", "dropped")
                .wanted("the hive logs, \"all\" of them", "sheet", "Hives/*", 12)
                .log(una);
        assertThat(number).matches("BR-\\d{4}-\\d{4}");
        JsonNode docket = una.get("/api/cases/" + number).expect(200).json();
        assertThat(docket.get("customer").get("name").asString()).isEqualTo(hostile);
        assertThat(docket.get("story").asString()).isEqualTo(hostile);
        assertThat(docket.get("devices").get(0).get("capacity").asLong()).isEqualTo(32_000_000_000L);
        assertThat(docket.get("facts").size()).isEqualTo(2);
        assertThat(docket.get("wanted").get(0).get("pattern").asString()).isEqualTo("Hives/*");
        assertThat(docket.get("stage").asString()).isEqualTo("received");
        assertThat(docket.get("owner").get("name").asString()).isEqualTo("Una Farrow");
        assertThat(una.get("/api/desk?listed=1000").json().get("decisions").toString())
                .contains(number);
    }

    @Test
    void whatCannotBeIsRefusedInOneSentenceWithItsField() {
        refused(new CaseForms().device("capacity", "9999 PB"), "more than any device holds", "device.capacity");
        refused(new CaseForms().device("capacity", "big"), "is not a capacity", "device.capacity");
        refused(new CaseForms().device("type", "gramophone"), "is not a device type", "device.type");
        refused(new CaseForms().customer("name", " "), "customer's name is missing", "customer.name");
        refused(new CaseForms().customer("email", "not an address"), "has no @", "customer.ways");
        refused(new CaseForms().told("symptom.nois", "clicking"), "the nearest is 'symptom.noise'", "facts");
        refused(new CaseForms().told("symptom.noise", "klicking"), "the nearest is 'clicking'", "facts");
        refused(new CaseForms().wanted("x", "holograms", "", 1), "'holograms' is not a kind of file", "wanted");
        refused(new CaseForms().wanted("x", "", "", -1), "cannot be less than 0", "wanted[0].hopedFor");
        refused(new CaseForms().story("x".repeat(20_001)), "longer than 20,000", "story");
        assertThat(una.post("/api/cases", "{\"customer\":").expect(400).sentence())
                .contains("could not be read");
        assertThat(una.get("/api/cases/BR-0000-0000").expect(404).sentence()).contains("There is no case BR-0000-0000");
    }

    private void refused(CaseForms form, String words, String field) {
        JsonNode answer = una.post("/api/cases", form.build()).expect(400).json();
        assertThat(answer.get("detail").asString()).contains(words);
        assertThat(answer.get("field").asString()).isEqualTo(field);
    }

    @Test
    void theSecondOfTwoEditorsIsToldAndNothingIsOverwritten() {
        String number = new CaseForms().log(una);
        int version = una.get("/api/cases/" + number).json().get("version").asInt();
        lab.as("petra")
                .put(
                        "/api/cases/" + number,
                        new CaseForms()
                                .customer("phone", "0148 99 99")
                                .version(version)
                                .build())
                .expect(200);
        String sentence = una.put(
                        "/api/cases/" + number,
                        new CaseForms()
                                .customer("phone", "0148 11 11")
                                .version(version)
                                .build())
                .expect(409)
                .sentence();
        assertThat(sentence).contains("Somebody else changed " + number).contains("nothing of yours was saved");
        JsonNode now = una.get("/api/cases/" + number).json();
        assertThat(now.get("customer").get("ways").get(0).get("value").asString())
                .isEqualTo("0148 99 99");
        una.put(
                        "/api/cases/" + number,
                        new CaseForms().version(now.get("version").asInt()).build())
                .expect(200);
        una.put("/api/cases/" + number, new CaseForms().build()).expect(409);
    }

    @Test
    void aCorrectedFactStaysOnRecord() {
        String number = new CaseForms()
                .told("symptom.noise", "none")
                .told("worth", "important")
                .log(una);
        int version = una.get("/api/cases/" + number).json().get("version").asInt();
        una.put(
                        "/api/cases/" + number,
                        new CaseForms()
                                .told("symptom.noise", "clicking")
                                .told("worth", "important")
                                .version(version)
                                .build())
                .expect(200);
        JsonNode facts = una.get("/api/cases/" + number).json().get("facts");
        assertThat(facts.size()).isEqualTo(2);
        assertThat(facts.toString()).contains("clicking").doesNotContain("\"none\"");
        List<Map<String, Object>> rows = lab.sql()
                .queryForList(
                        "select value, withdrawn from fact f join lab_case c on c.id = f.case_id where c.number "
                                + "= ? and code = 'symptom.noise' order by f.id",
                        number);
        assertThat(rows)
                .extracting(r -> r.get("value") + " " + r.get("withdrawn"))
                .containsExactly("none true", "clicking false");
    }

    @Test
    void casesThatAreLoggedAtTheSameMomentGetDifferentNumbers() throws Exception {
        ExecutorService callers = Executors.newFixedThreadPool(6);
        try {
            List<Callable<String>> calls = IntStream.range(0, 12)
                    .<Callable<String>>mapToObj(i -> () -> new CaseForms().log(lab.as("una")))
                    .toList();
            Set<String> numbers =
                    callers.invokeAll(calls).stream().map(IntakeTest::result).collect(Collectors.toSet());
            assertThat(numbers).hasSize(12);
        } finally {
            callers.shutdownNow();
        }
    }

    private static String result(Future<String> future) {
        try {
            return future.get();
        } catch (Exception e) {
            throw new AssertionError(e);
        }
    }
}
