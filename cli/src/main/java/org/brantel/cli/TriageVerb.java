package org.brantel.cli;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.brantel.core.json.Json;
import org.brantel.core.triage.Facts;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.Triage;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "triage", mixinStandardHelpOptions = true, description = "Ranks the recovery paths for the facts in a JSON file.")
final class TriageVerb implements Callable<Integer> {

    private record Input(Map<String, Object> facts, Map<String, Object> observed) { }

    @Parameters(paramLabel = "FACTS.json")
    private Path file;

    @Override
    public Integer call() throws Exception {
        Input input = Json.read(file, Input.class, "facts");
        Protocol protocol = Protocol.current();
        Facts facts = Facts.of(lists(input.facts()), lists(input.observed()), protocol);
        System.out.println(Json.writePretty(new Triage(protocol).rank(facts)));
        return EngineCommand.DONE;
    }

    private static Map<String, List<String>> lists(Map<String, Object> given) {
        Map<String, List<String>> lists = new LinkedHashMap<>();
        if (given != null) {
            given.forEach((code, value) -> lists.put(code, value instanceof List<?> many
                    ? many.stream().map(String::valueOf).toList() : List.of(String.valueOf(value))));
        }
        return lists;
    }
}
