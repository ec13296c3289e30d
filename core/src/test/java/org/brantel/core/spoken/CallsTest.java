package org.brantel.core.spoken;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.brantel.core.triage.Protocol;
import org.brantel.core.wanted.WantedLine;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Whole lines as coordinators type them, with what a careful listener puts down, and what they must not. */
class CallsTest {

    private static final FreeLine LINE = new FreeLine(Protocol.current());
    private static final Set<String> MANY = Set.of("loss.event", "symptom.body", "since.tried");

    private final List<String> misses = new ArrayList<>();

    @TestFactory
    Stream<DynamicTest> calls() throws IOException {
        try (InputStream in = CallsTest.class.getResourceAsStream("/calls.json")) {
            JsonNode book = JsonMapper.shared().readTree(in);
            LocalDate today = LocalDate.parse(book.get("today").asString());
            return StreamSupport.stream(book.get("lines").spliterator(), false)
                    .map(said -> DynamicTest.dynamicTest(
                            said.get("id").asString() + " " + said.get("line").asString(),
                            () -> assertThat(missed(said, today)).isEmpty()))
                    .toList()
                    .stream();
        }
    }

    private List<String> missed(JsonNode said, LocalDate today) {
        misses.clear();
        Heard heard = LINE.read(said.get("line").asString(), today);
        facts(said, heard, today);
        if (said.has("capacity")) {
            expect(
                    heard.capacity() != null
                            && heard.capacity().bytes() == said.get("capacity").asLong(),
                    "capacity, heard " + heard.capacity());
        }
        if (said.has("deadline")) {
            expect(
                    heard.deadline() != null && heard.deadline().day().equals(day(said.get("deadline"))),
                    "deadline, heard " + heard.deadline());
        }
        wanted(said, heard);
        if (said.has("caller")) {
            said.get("caller")
                    .properties()
                    .forEach(e -> expect(
                            e.getValue().asString().equals(caller(heard, e.getKey())),
                            "caller's " + e.getKey() + ", heard " + heard.caller()));
        }
        mustNot(said, heard);
        return List.copyOf(misses);
    }

    private void facts(JsonNode said, Heard heard, LocalDate today) {
        if (!said.has("facts")) {
            return;
        }
        said.get("facts").properties().forEach(e -> {
            List<String> got = heard.facts().stream()
                    .filter(f -> f.code().equals(e.getKey()))
                    .map(Heard.Fact::value)
                    .toList();
            if (e.getKey().equals("since.hours")) {
                JsonNode v = e.getValue();
                long days = v.has("on") ? ChronoUnit.DAYS.between(day(v), today) : 0;
                long min = v.has("min") ? v.get("min").asLong() : 24 * days - 24;
                long max = v.has("max") ? v.get("max").asLong() : 24 * days + 24;
                expect(
                        got.stream().mapToLong(Long::parseLong).anyMatch(h -> h >= min && h <= max),
                        "since.hours " + min + " to " + max + ", heard " + got);
            } else if (MANY.contains(e.getKey())) {
                texts(e.getValue()).forEach(v -> expect(got.contains(v), e.getKey() + "=" + v + ", heard " + got));
            } else {
                expect(
                        texts(e.getValue()).stream().anyMatch(got::contains),
                        e.getKey() + "=" + texts(e.getValue()) + ", heard " + got);
            }
        });
    }

    private void wanted(JsonNode said, Heard heard) {
        List<WantedLine> left =
                heard.wanted().stream().map(Heard.Wanted::line).collect(Collectors.toCollection(ArrayList::new));
        if (!said.has("wanted")) {
            return;
        }
        for (JsonNode want : said.get("wanted")) {
            String words = want.get("words").asString();
            WantedLine hit = left.stream()
                    .filter(w -> w.words().toLowerCase(Locale.ROOT).contains(words))
                    .findFirst()
                    .orElse(null);
            if (hit == null) {
                misses.add("no wanted line of its own for '" + words + "', heard " + left);
                continue;
            }
            left.remove(hit);
            if (want.has("kinds")) {
                want.get("kinds")
                        .forEach(k -> expect(
                                Stream.of(k.asString().split("[|]")).anyMatch(hit.kinds()::contains),
                                words + ": kind, heard " + hit));
            }
            expect(!want.has("count") || hit.hopedFor() == want.get("count").asInt(), words + ": count, heard " + hit);
            expect(
                    !want.has("from") || Objects.equals(hit.days().from(), day(want.get("from"))),
                    words + ": from, heard " + hit);
            expect(
                    !want.has("to") || Objects.equals(hit.days().to(), day(want.get("to"))),
                    words + ": to, heard " + hit);
        }
    }

    private void mustNot(JsonNode said, Heard heard) {
        if (!said.has("mustNotHear")) {
            return;
        }
        said.get("mustNotHear").properties().forEach(e -> {
            switch (e.getKey()) {
                case "deadline" -> expect(heard.deadline() == null, "no deadline, heard " + heard.deadline());
                case "capacity" -> expect(heard.capacity() == null, "no capacity, heard " + heard.capacity());
                case "wanted" -> expect(heard.wanted().isEmpty(), "nothing wanted, heard " + heard.wanted());
                default ->
                    texts(e.getValue())
                            .forEach(v -> expect(
                                    heard.facts().stream()
                                            .noneMatch(f -> f.code().equals(e.getKey())
                                                    && (v.equals("*")
                                                            || f.value().equals(v))),
                                    "not " + e.getKey() + "=" + v));
            }
        });
    }

    private static String caller(Heard heard, String field) {
        return switch (field) {
            case "name" -> heard.caller().name();
            case "phone" -> heard.caller().phone().replaceAll("\\D", "");
            default -> heard.caller().email();
        };
    }

    private static LocalDate day(JsonNode node) {
        return LocalDate.parse(node.get("on").asString());
    }

    private static List<String> texts(JsonNode node) {
        List<String> all = new ArrayList<>();
        if (node.isArray()) {
            node.forEach(n -> all.add(n.asString()));
        } else {
            all.add(node.asString());
        }
        return all;
    }

    private void expect(boolean holds, String miss) {
        if (!holds) {
            misses.add(miss);
        }
    }
}
