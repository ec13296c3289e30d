package org.brantel.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.brantel.server.testing.Visitor;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Every operation of the API's description is asked by everybody, with what fits it and with what nobody should send:
 * none ends in a fault of the server, and whoever is refused is told why.
 */
class ApiFuzzTest {

    /** More of them find more: {@code -Dbrantel.fuzz.rounds=200}. */
    private static final int ROUNDS = Integer.getInteger("brantel.fuzz.rounds", 6);

    private static final long SEED = Long.getLong("brantel.fuzz.seed", 18);
    /** They would end who asks. */
    private static final Set<String> LEFT_OUT = Set.of("delete /api/session");

    private final Lab lab = Lab.open();
    private final Random random = new Random(SEED);
    private final List<String> numbers = new ArrayList<>();
    private final List<String> faults = new ArrayList<>();

    private record Operation(String method, String path, JsonNode says) {}

    private static JsonNode description() throws IOException {
        return JsonMapper.shared().readTree(Files.readString(Lab.repository().resolve("web/openapi.json")));
    }

    private static List<Operation> operations(JsonNode description) {
        List<Operation> all = new ArrayList<>();
        description.get("paths").properties().forEach(path -> path.getValue()
                .properties()
                .forEach(o -> {
                    if (!LEFT_OUT.contains(o.getKey() + " " + path.getKey())) {
                        all.add(new Operation(o.getKey(), path.getKey(), o.getValue()));
                    }
                }));
        return all;
    }

    @Test
    void noOperationEndsInAFaultOfTheServer() throws IOException {
        Story found =
                Story.ofD01().imaged("inbox/d01-fat16.img").scanned("both").selectedWhole();
        found.recovered();
        numbers.addAll(List.of(found.number, new CaseForms().log(found.una), "BR-0000-0000", "BR-2612-0001"));
        JsonNode description = description();
        Hostile hostile = new Hostile(random, description);
        List<Visitor> everybody = List.of(lab.as("una"), lab.as("tom"), lab.as("petra"), lab.nobody());
        List<Operation> all = operations(description);
        for (int round = 0; round < ROUNDS; round++) {
            for (Operation o : all) {
                ask(everybody.get(random.nextInt(everybody.size())), o, hostile);
            }
        }
        assertThat(faults).isEmpty();
    }

    private void ask(Visitor who, Operation o, Hostile hostile) {
        StringBuilder path = new StringBuilder(o.path());
        List<String> query = new ArrayList<>();
        for (JsonNode p : o.says().path("parameters")) {
            String name = p.get("name").asString();
            if (p.get("in").asString().equals("path")) {
                String place = "{" + name + "}";
                int at = path.indexOf(place);
                path.replace(at, at + place.length(), encoded(inPath(name, hostile)));
            } else if (random.nextInt(4) > 0) {
                String value = random.nextInt(3) == 0 ? hostile.oddText() : text(hostile.of(p.get("schema")));
                // Longer ones do not pass the head of a request.
                query.add(name + "=" + encoded(value.substring(0, Math.min(value.length(), 500))));
            }
        }
        String url = path + (query.isEmpty() ? "" : "?" + String.join("&", query));
        JsonNode content = o.says().path("requestBody").path("content");
        Object body = content.has("application/json")
                ? hostile.of(content.get("application/json").get("schema"))
                : null;
        judge(o.method() + " " + url + (body == null ? "" : " " + shortened(body)), answer(who, o, url, body));
    }

    private static Visitor.Answer answer(Visitor who, Operation o, String url, @Nullable Object body) {
        return switch (o.method()) {
            case "get" -> who.get(url);
            case "delete" -> who.delete(url);
            case "put" -> who.put(url, body == null ? Map.of() : body);
            case "post" ->
                o.says().path("requestBody").path("content").has("application/octet-stream")
                        ? who.postBytes(url, new byte[] {1, 2, 3})
                        : body == null ? who.post(url) : who.post(url, body);
            default -> throw new IllegalStateException("nobody asks by " + o.method());
        };
    }

    private void judge(String asked, Visitor.Answer answer) {
        if (answer.status() >= 500) {
            faults.add(answer.status() + " " + asked);
        } else if (answer.status() >= 400) {
            String said = answer.text();
            if (said.isBlank() || said.contains("Exception") || said.contains("org.brantel")) {
                faults.add(answer.status() + " says “" + shortened(said) + "” to " + asked);
            }
        }
    }

    private String inPath(String name, Hostile hostile) {
        if (random.nextInt(8) == 0) {
            String odd = hostile.oddText();
            return odd.isBlank() ? "0" : odd.substring(0, Math.min(odd.length(), 300));
        }
        return name.equals("number")
                ? numbers.get(random.nextInt(numbers.size()))
                : String.valueOf(random.nextInt(5) == 0 ? Long.MAX_VALUE : 1 + random.nextInt(5));
    }

    private static String text(@Nullable Object value) {
        return value instanceof List<?> list
                ? String.join(",", list.stream().map(String::valueOf).toList())
                : String.valueOf(value);
    }

    private static String shortened(Object body) {
        String text = body instanceof String said ? said : JsonMapper.shared().writeValueAsString(body);
        return text.substring(0, Math.min(text.length(), 600));
    }

    private static String encoded(String value) {
        return URLEncoder.encode(value, StandardCharsets.UTF_8).replace("+", "%20");
    }
}
