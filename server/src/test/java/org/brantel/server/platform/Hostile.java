package org.brantel.server.platform;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Values by the schemas of the API's description: most as they should be, some as nobody should send them. */
final class Hostile {

    private static final int DEEPEST = 6;
    /** One value in so many is not what its schema asks for. */
    private static final int ODD = 5;

    private static final List<String> TEXTS = List.of(
            "",
            " ",
            "\u0000",
            "hive\u0000log",
            "\u202egpj.exe",
            "a".repeat(300),
            "ü".repeat(70_000),
            "../../etc/passwd",
            "%00",
            "'; drop table lab_case; --",
            "<img src=x onerror=alert(1)>",
            "${7*7}",
            "-1",
            "99999999999999999999",
            "NaN",
            "2026-13-45",
            "+999999999-12-31",
            "-4713-01-01",
            "0000-00-00T00:00:00Z",
            "(((((((((((((((((((((((((((((((((((((((((((",
            "\\",
            "{",
            "null",
            "🐝".repeat(50));

    private final Random random;
    private final JsonNode schemas;

    Hostile(Random random, JsonNode description) {
        this.random = random;
        this.schemas = description.get("components").get("schemas");
    }

    /** @return a text, a number, a truth, a list, a map or nothing */
    @Nullable
    Object of(JsonNode schema) {
        return of(schema, 0);
    }

    private @Nullable Object of(JsonNode schema, int depth) {
        if (random.nextInt(ODD) == 0 && depth > 0) {
            return odd();
        }
        JsonNode resolved = resolved(schema);
        if (resolved.has("enum")) {
            JsonNode words = resolved.get("enum");
            return words.get(random.nextInt(words.size())).asString();
        }
        return switch (resolved.path("type").asString("object")) {
            case "string" -> text(resolved.path("format").asString(""));
            case "integer" -> random.nextInt(6);
            case "number" -> random.nextInt(600) / 100.0;
            case "boolean" -> random.nextBoolean();
            case "array" -> list(resolved.path("items"), depth);
            default -> object(resolved, depth);
        };
    }

    private JsonNode resolved(JsonNode schema) {
        JsonNode at = schema;
        while (true) {
            if (at.has("$ref")) {
                String name = at.get("$ref").asString();
                at = schemas.get(name.substring(name.lastIndexOf('/') + 1));
            } else if (at.has("allOf")) {
                at = at.get("allOf").get(0);
            } else if (at.has("oneOf")) {
                at = at.get("oneOf").get(random.nextInt(at.get("oneOf").size()));
            } else {
                return at;
            }
        }
    }

    private String text(String format) {
        return switch (format) {
            case "date" -> "2026-0" + (1 + random.nextInt(9)) + "-11";
            case "date-time" -> "2026-05-04T09:12:30Z";
            default ->
                List.of("tide", "Una Farrow", "1", "hdd", "2026-05-04", "a word and another")
                        .get(random.nextInt(6));
        };
    }

    private List<Object> list(JsonNode items, int depth) {
        List<Object> all = new ArrayList<>();
        for (int i = depth > DEEPEST ? 0 : random.nextInt(3); i > 0; i--) {
            all.add(of(items, depth + 1));
        }
        return all;
    }

    private Map<String, Object> object(JsonNode schema, int depth) {
        Map<String, Object> all = new LinkedHashMap<>();
        if (depth <= DEEPEST) {
            schema.path("properties").properties().forEach(p -> {
                if (random.nextInt(8) > 0) {
                    all.put(p.getKey(), of(p.getValue(), depth + 1));
                }
            });
        }
        return all;
    }

    private @Nullable Object odd() {
        return switch (random.nextInt(12)) {
            case 0 -> null;
            case 1 -> -1;
            case 2 -> Long.MAX_VALUE;
            case 3 -> Long.MIN_VALUE;
            case 4 -> new BigInteger("9".repeat(400));
            case 5 -> 1e308;
            case 6 -> List.of(Map.of(), List.of());
            case 7 -> Map.of("", "");
            default -> oddText();
        };
    }

    String oddText() {
        return TEXTS.get(random.nextInt(TEXTS.size()));
    }
}
