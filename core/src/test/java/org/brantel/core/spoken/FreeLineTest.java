package org.brantel.core.spoken;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.triage.Protocol;
import org.brantel.core.wanted.WantedLine;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;

class FreeLineTest {

    private static final LocalDate WEDNESDAY = LocalDate.of(2026, 11, 25);
    private static final Protocol PROTOCOL = Protocol.current();
    private static final FreeLine LINE = new FreeLine(PROTOCOL);

    private static Heard read(String line) {
        return LINE.read(line, WEDNESDAY);
    }

    private static Set<String> facts(Heard heard) {
        Set<String> facts = heard.facts().stream()
                .map(f -> f.code() + "=" + f.value())
                .collect(Collectors.toCollection(TreeSet::new));
        if (heard.capacity() != null) {
            facts.add("capacity=" + heard.capacity().bytes());
        }
        if (heard.deadline() != null) {
            facts.add("needed=" + heard.deadline().day());
        }
        return facts;
    }

    private static List<String> lines(String resource) throws IOException {
        try (InputStream in = FreeLineTest.class.getResourceAsStream(resource)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
        }
    }

    @TestFactory
    Stream<DynamicTest> callersSay() throws IOException {
        List<DynamicTest> tests = new ArrayList<>();
        List<String> lines = lines("/spoken.txt").stream()
                .filter(l -> !l.startsWith("#") && !l.isBlank())
                .toList();
        for (int i = 0; i < lines.size(); i += 2) {
            String said = lines.get(i);
            Set<String> stated = new TreeSet<>(List.of(lines.get(i + 1).strip().split(" ")));
            stated.remove("nothing");
            tests.add(DynamicTest.dynamicTest(
                    said, () -> assertThat(facts(read(said))).isEqualTo(stated)));
        }
        assertThat(tests).hasSizeGreaterThan(60);
        return tests.stream();
    }

    /** Every phrase of the file, said plainly, states its facts: none is hidden behind another. */
    @Test
    void whatIsTakenBackIsSaidWithWhatStandsInItsPlace() {
        String line = "The 64 GB, no sorry, 128 GB stick got wet, no wait, it was dropped. Needs it by friday, "
                + "no wait, by monday.";
        Heard heard = LINE.read(line, WEDNESDAY);
        assertThat(heard.takenBack())
                .allSatisfy(i -> assertThat(line.substring(i.from(), i.to())).isEqualTo(i.words()))
                .allSatisfy(i -> assertThat(i.by()).isGreaterThanOrEqualTo(i.to()))
                .extracting(Heard.TakenBack::words)
                .anyMatch(w -> w.contains("wet"))
                .anyMatch(w -> w.contains("64"))
                .anyMatch(w -> w.contains("friday"));
        assertThat(heard.facts())
                .extracting(Heard.Fact::value)
                .contains("dropped")
                .doesNotContain("liquid", "wet");
        assertThat(LINE.read("It was dropped and clicks.", WEDNESDAY).takenBack())
                .isEmpty();
    }

    @Test
    void everyPhraseStatesItsFacts() throws IOException {
        Set<String> known = PROTOCOL.facts().stream()
                .flatMap(f -> f.values().stream().map(v -> f.code() + "=" + v))
                .collect(Collectors.toSet());
        List<Phrase> phrases = Phrase.parse(String.join("\n", lines("phrases.txt")), known);
        List<String> silent = new ArrayList<>();
        for (Phrase p : phrases) {
            String said = p.elements().stream()
                    .filter(e ->
                            !e.equals("..") && !(e.endsWith("?") && p.elements().size() > 1))
                    .map(e -> e.equals("!")
                            ? "not"
                            : e.replaceFirst("^\\[([^|\\]]+).*", "$1").replaceFirst("[*?]+$", ""))
                    .collect(Collectors.joining(" "));
            if (!facts(read(said)).containsAll(p.states())) {
                silent.add(said + " -> " + facts(read(said)) + " not " + p.states());
            }
        }
        assertThat(phrases).hasSizeGreaterThan(400);
        assertThat(silent).isEmpty();
    }

    @Test
    void whatWasSaidStandsWhereItWasHeard() {
        String line = "It fell off the bench on Monday, doesn't spin.";
        for (Heard.Fact f : read(line).facts()) {
            assertThat(line.substring(f.from(), f.to())).isEqualTo(f.words());
        }
        assertThat(read(line).facts())
                .extracting(Heard.Fact::words)
                .containsExactly("fell", "on Monday", "doesn't spin");
    }

    @Test
    void whatWasSaidLastCountsWhereOnlyOneValueCan() {
        assertThat(facts(read("it was beeping, now it clicks"))).containsExactly("symptom.noise=clicking");
        assertThat(facts(read("dropped, then it got wet in the bog")))
                .contains("loss.event=dropped", "loss.event=liquid");
    }

    @Test
    void aWantedLineIsReadFromTheSameBreath() {
        List<Heard.Wanted> wanted =
                read("fell off the bench, lab notes since 2011, about forty voice memos from last June")
                        .wanted();
        assertThat(wanted)
                .extracting(w -> w.line().words())
                .containsExactly("lab notes since 2011", "about forty voice memos from last June");
        WantedLine memos = wanted.get(1).line();
        assertThat(memos.hopedFor()).isEqualTo(40);
        assertThat(memos.kinds()).containsExactly("audio");
        assertThat(memos.days().from()).isEqualTo(LocalDate.of(2026, 6, 1));
        assertThat(memos.days().to()).isEqualTo(LocalDate.of(2026, 6, 30));
    }

    /** Whatever is typed: no failure, every place within the line, never a fact that the protocol does not have. */
    @Test
    void anyTextIsBorne() throws IOException {
        List<String> words = new ArrayList<>(lines("/spoken.txt").stream()
                .flatMap(l -> Stream.of(l.split("\\s+")))
                .toList());
        words.addAll(List.of(
                "\u202e",
                "<b>",
                "شكرا",
                "日本",
                "99999999999999999999",
                "2TB2TB",
                "31 February",
                "0 GB",
                "*",
                "\"",
                "'",
                "1,2,3",
                "3 days ago ago"));
        Random random = new Random(5);
        for (int round = 0; round < 3000; round++) {
            String line = Stream.generate(() -> words.get(random.nextInt(words.size())))
                    .limit(random.nextInt(14))
                    .collect(Collectors.joining(random.nextBoolean() ? " " : ", "));
            Heard heard = read(line);
            for (Heard.Fact f : heard.facts()) {
                assertThat(line.substring(f.from(), f.to())).isEqualTo(f.words());
                assertThat(PROTOCOL.fact(f.code())).isPresent();
            }
            heard.wanted().forEach(w -> assertThat(line.substring(w.from(), w.to()))
                    .isEqualTo(w.line().words()));
        }
    }

    @Test
    void aLongTextIsReadInTimeThatGrowsWithIt() {
        String line = "fell off the bench, does not click and is not wet, about forty voice memos from last June. "
                .repeat(220);
        assertThat(line.length()).isGreaterThan(19_000);
        assertThat(facts(read(line))).contains("loss.event=dropped").doesNotContain("symptom.noise=clicking");
    }

    @Test
    void aMalformedPhraseIsNamedWithItsLine() {
        assertThatThrownBy(() ->
                        Phrase.parse("symptom.noise=clicking\n    click, .. clack", Set.of("symptom.noise=clicking")))
                .hasMessageContaining("line 2")
                .hasMessageContaining(".. clack");
        assertThatThrownBy(() -> Phrase.parse("\nsymptom.nose=clicking\n    click", Set.of()))
                .hasMessageContaining("line 2")
                .hasMessageContaining("symptom.nose=clicking");
        assertThatThrownBy(() -> Phrase.parse("    click", Set.of())).hasMessageContaining("line 1");
    }
}
