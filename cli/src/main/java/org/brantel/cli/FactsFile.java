package org.brantel.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.brantel.core.json.Json;
import org.brantel.core.triage.Facts;
import org.brantel.core.triage.Protocol;

/** The facts of a case in a JSON file: {@code {"facts": {"code": "value" | ["value", …]}, "observed": {…}}}. */
final class FactsFile {

    private record Input(Map<String, Object> facts, Map<String, Object> observed) {}

    private FactsFile() {}

    static Facts read(Path file, Protocol protocol) throws IOException {
        Input input = Json.read(file, Input.class, "facts");
        return Facts.of(lists(input.facts()), lists(input.observed()), protocol);
    }

    private static Map<String, List<String>> lists(Map<String, Object> given) {
        Map<String, List<String>> lists = new LinkedHashMap<>();
        if (given != null) {
            given.forEach((code, value) -> lists.put(
                    code,
                    value instanceof List<?> many
                            ? many.stream().map(String::valueOf).toList()
                            : List.of(String.valueOf(value))));
        }
        return lists;
    }
}
