package org.brantel.core.triage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.brantel.core.json.Json;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class TriageTest {

    private static final Protocol PROTOCOL = Protocol.current();
    private static final Triage TRIAGE = new Triage(PROTOCOL);

    private static Ranking rank(Map<String, List<String>> told, Map<String, List<String>> observed) {
        return TRIAGE.rank(Facts.of(told, observed, PROTOCOL));
    }

    private static Ranking rank(String... codesAndValues) {
        Map<String, List<String>> told = new LinkedHashMap<>();
        for (int i = 0; i < codesAndValues.length; i += 2) {
            told.computeIfAbsent(codesAndValues[i], k -> new ArrayList<>()).add(codesAndValues[i + 1]);
        }
        return rank(told, Map.of());
    }

    /** The worked cases: which paths may come first, which are barred, which stop rules stand and which do not. */
    @TestFactory
    Stream<DynamicTest> workedCases() throws IOException {
        try (InputStream in = TriageTest.class.getResourceAsStream("/triage-cases.json")) {
            JsonNode cases = JsonMapper.shared().readTree(in);
            List<DynamicTest> tests = new ArrayList<>();
            for (JsonNode c : cases.get("cases")) {
                tests.add(DynamicTest.dynamicTest(
                        c.get("id").asString() + " " + c.get("story").asString(), () -> check(c)));
            }
            assertThat(tests).hasSizeGreaterThan(20);
            return tests.stream();
        }
    }

    private static void check(JsonNode c) {
        Ranking ranking = rank(facts(c.get("facts")), facts(c.get("observed")));
        List<String> open = ranking.ranking().stream()
                .filter(r -> !r.barred())
                .map(r -> r.path().word())
                .toList();
        List<String> barred = ranking.ranking().stream()
                .filter(Ranking.Ranked::barred)
                .map(r -> r.path().word())
                .toList();
        List<String> stops =
                ranking.stopRules().stream().map(Ranking.Stop::code).toList();
        assertThat(texts(c, "top")).contains(open.isEmpty() ? barred.get(0) : open.get(0));
        assertThat(barred).containsAll(texts(c, "mustBar"));
        assertThat(stops).containsAll(texts(c, "mustStop"));
        assertThat(texts(c, "mustNotStop")).noneMatch(stops::contains);
    }

    private static List<String> texts(JsonNode node, String field) {
        List<String> texts = new ArrayList<>();
        if (node.get(field) != null) {
            node.get(field).forEach(t -> texts.add(t.asString()));
        }
        return texts;
    }

    private static Map<String, List<String>> facts(JsonNode node) {
        Map<String, List<String>> facts = new LinkedHashMap<>();
        if (node != null) {
            node.properties().forEach(e -> {
                List<String> values = new ArrayList<>();
                if (e.getValue().isArray()) {
                    e.getValue().forEach(v -> values.add(v.asString()));
                } else {
                    values.add(e.getValue().asString());
                }
                facts.put(e.getKey(), values);
            });
        }
        return facts;
    }

    @Test
    void clickingBarsEveryReadAndForbidsPower() {
        Ranking ranking = rank("symptom.noise", "clicking", "medium.type", "hdd");
        assertThat(ranking.ranking().get(0).path()).isEqualTo(RecoveryPath.HARDWARE_WORK);
        assertThat(ranking.ranking())
                .filteredOn(r -> List.of("straight-copy", "image-then-scan", "careful-imaging")
                        .contains(r.path().word()))
                .hasSize(3)
                .allMatch(r -> r.barred() && !r.barredBecause().isEmpty());
        assertThat(ranking.stopRules())
                .anyMatch(s -> s.code().equals("no-power") && s.because().contains("symptom.noise=clicking"));
    }

    @Test
    void whatTheBenchSawOutweighsWhatWasTold() {
        Ranking ranking = rank(
                Map.of("symptom.noise", List.of("none"), "bench.detected", List.of("yes")),
                Map.of("symptom.noise", List.of("clicking")));
        assertThat(ranking.ranking().get(0).path()).isEqualTo(RecoveryPath.HARDWARE_WORK);
        assertThat(ranking.conflicts()).anyMatch(c -> c.contains("told “no unusual noise”, seen “clicks”"));
        assertThat(ranking.ranking().get(0).speaksFor()).anyMatch(Ranking.Piece::observed);
    }

    @Test
    void unknownIsAnAnswerThatWeighsNothingAndIsNotAskedAgain() {
        Ranking nothing = rank();
        String asked = nothing.nextQuestion().fact();
        Ranking after = rank(asked, "unknown");
        assertThat(after.unknownFacts()).containsExactly(asked);
        assertThat(after.nextQuestion().fact()).isNotEqualTo(asked);
        assertThat(after.ranking()).allMatch(r -> r.score() == 0);
    }

    @Test
    void scoresAreTheSumOfTheirPieces() {
        Random random = new Random(17);
        for (int round = 0; round < 300; round++) {
            Ranking ranking = rank(randomFacts(random), randomFacts(random));
            for (Ranking.Ranked r : ranking.ranking()) {
                int sum = r.speaksFor().stream().mapToInt(Ranking.Piece::weight).sum()
                        - r.against().stream().mapToInt(Ranking.Piece::weight).sum();
                assertThat(r.score()).as("%s", r).isEqualTo(sum);
                assertThat(r.speaksFor())
                        .allMatch(p -> p.weight() > 0 && !p.reason().isBlank());
            }
            List<Boolean> barred =
                    ranking.ranking().stream().map(Ranking.Ranked::barred).toList();
            assertThat(barred).as("open paths first").isSorted();
        }
    }

    private static Map<String, List<String>> randomFacts(Random random) {
        Map<String, List<String>> facts = new LinkedHashMap<>();
        for (Protocol.FactCode code : PROTOCOL.facts()) {
            if (random.nextInt(4) == 0) {
                facts.put(
                        code.code(),
                        List.of(
                                code.number()
                                        ? "5"
                                        : code.values()
                                                .get(random.nextInt(
                                                        code.values().size()))));
            }
        }
        return facts;
    }

    @Test
    void theSameFactsGiveTheSameRankingInWhateverOrder() {
        Random random = new Random(18);
        for (int round = 0; round < 50; round++) {
            Map<String, List<String>> facts = randomFacts(random);
            Map<String, List<String>> reversed = new LinkedHashMap<>();
            new ArrayList<>(facts.entrySet())
                    .stream()
                            .sorted((a, b) -> b.getKey().compareTo(a.getKey()))
                            .forEach(e -> reversed.put(e.getKey(), e.getValue()));
            assertThat(Json.write(rank(facts, Map.of()))).isEqualTo(Json.write(rank(reversed, Map.of())));
        }
    }

    @Test
    void anUnknownCodeOrValueNamesTheNearestKnownOne() {
        assertThatThrownBy(() -> rank("symptom.nois", "clicking"))
                .isInstanceOf(Facts.UnknownFact.class)
                .hasMessageContaining("'symptom.noise'");
        assertThatThrownBy(() -> rank("symptom.noise", "cliking")).hasMessageContaining("'clicking'");
        assertThatThrownBy(() -> rank("since.hours", "two")).hasMessageContaining("whole number");
        assertThatThrownBy(() -> rank("symptom.noise", "clicking", "symptom.noise", "none"))
                .hasMessageContaining("holds one value");
    }

    @Test
    void aMalformedProtocolIsRefusedWithWhatIsWrong() {
        String good = Json.writePretty(PROTOCOL);
        assertThat(parse(good)).isEqualTo(PROTOCOL);
        refuses(
                good,
                "\"symptom.noise|bench.noise=clicking\"",
                "\"symptom.nose|bench.noise=clicking\"",
                "there is no fact 'symptom.nose'");
        refuses(
                good,
                "\"path\" : \"existing-copy\"",
                "\"path\" : \"existing-cop\"",
                "there is no path 'existing-cop'; the nearest is 'existing-copy'");
        refuses(good, "\"weight\" : 9", "\"weight\" : 0", "weight 0");
        refuses(good, "\"chance\" : \"good\"", "\"chance\" : \"gold\"", "gold");
        refuses(good, "\"copy.trash=yes\"", "\"copy.trash=yess\"", "the nearest is 'yes'");
        refuses(good, "\"copy.trash=yes\"", "\"copy.trash>=3\"", "only a fact that is a number");
        assertThatThrownBy(() -> parse(good.substring(0, 500))).hasMessageContaining("malformed");
        assertThatThrownBy(() -> parse("{\"name\":\"x\",\"version\":\"1\"}")).hasMessageContaining("it has no 'paths'");
    }

    /** One change, and the refusal names the line of the rule that it is in, or a line just above the change. */
    private static void refuses(String good, String from, String to, String why) {
        int at = good.indexOf(from);
        assertThat(at).as(from).isPositive();
        long line = good.substring(0, at).lines().count();
        assertThatThrownBy(() -> parse(good.substring(0, at) + to + good.substring(at + from.length())))
                .hasMessageContaining(why)
                .satisfies(e -> assertThat(Integer.parseInt(e.getMessage().replaceFirst("(?s).*line (\\d+).*", "$1")))
                        .isBetween((int) line - 6, (int) line + 1));
    }

    @Test
    void nobodyIsAskedWhatMakesNoSenseForTheMedium() {
        Random random = new Random(23);
        for (int round = 0; round < 60; round++) {
            Map<String, List<String>> facts = randomFacts(random);
            facts.put("medium.type", List.of("ssd"));
            Ranking.Question q = rank(facts, Map.of()).nextQuestion();
            if (q != null) {
                assertThat(q.fact()).isNotIn("symptom.noise", "symptom.spins", "set.layout");
            }
        }
    }

    @Test
    void whatTheBenchHearsAgainstWhatWasToldIsShown() {
        Ranking ranking = rank(Map.of("symptom.noise", List.of("none")), Map.of("bench.noise", List.of("scratching")));
        assertThat(ranking.conflicts()).containsExactly("noise: told “no unusual noise”, seen “bench: scratches”");
    }

    /** What people read are words; only a number and what is not known are put together. */
    @Test
    void everyValueHasWordsOfItsOwn() {
        for (Protocol.FactCode fact : PROTOCOL.facts()) {
            assertThat(fact.words().keySet()).as(fact.code()).containsExactlyInAnyOrderElementsOf(fact.values());
            assertThat(fact.words().values())
                    .as(fact.code())
                    .doesNotHaveDuplicates()
                    .noneMatch(w -> w.contains("="));
        }
        assertThat(PROTOCOL.say("symptom.noise", "clicking")).isEqualTo("clicks");
        assertThat(PROTOCOL.say("symptom.noise", "unknown")).isEqualTo("noise: not known");
        assertThat(PROTOCOL.say("since.hours", "30")).isEqualTo("30 hours ago");
        assertThat(PROTOCOL.say("since.hours", "200")).isEqualTo("8 days ago");
    }

    /** A protocol that a lab adopted before values had words is still in force. */
    @Test
    void anOlderProtocolIsSaidByItsCodes() {
        String without = Json.writePretty(PROTOCOL)
                .replaceAll("(?s)\"words\" : \\{.*?\\},", "")
                .replaceAll("\"label\" : \"[a-z' ]+\",\\s+\"many\"", "\"many\"");
        assertThat(parse(without).say("copy.backup", "none")).isEqualTo("backup: none");
    }

    @Test
    void aNoiseThatTheBenchDoesNotHearBarsNothingButIsReadGently() {
        Map<String, List<String>> told = Map.of("medium.type", List.of("hdd"), "symptom.noise", List.of("clicking"));
        Ranking quiet = rank(
                told,
                Map.of(
                        "bench.noise",
                        List.of("none"),
                        "bench.detected",
                        List.of("yes"),
                        "bench.read",
                        List.of("clean")));
        assertThat(quiet.stopRules()).noneMatch(s -> s.code().equals("no-power"));
        assertThat(quiet.stopRules()).anyMatch(s -> s.code().equals("no-opening"));
        assertThat(quiet.ranking())
                .filteredOn(r -> r.path() == RecoveryPath.CAREFUL_IMAGING)
                .allMatch(r -> !r.barred()
                        && r.speaksFor().stream().anyMatch(p -> p.reason().contains("the bench does not hear")));
        assertThat(rank(told, Map.of("bench.detected", List.of("yes"))).stopRules())
                .anyMatch(s -> s.code().equals("no-power"));
    }

    private static Protocol parse(String text) {
        try {
            return Protocol.parse(text, "test");
        } catch (IOException e) {
            throw new IllegalStateException(e.getMessage(), e);
        }
    }
}
