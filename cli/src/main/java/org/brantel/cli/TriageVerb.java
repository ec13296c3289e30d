package org.brantel.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.brantel.core.json.Json;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.Triage;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "triage",
        mixinStandardHelpOptions = true,
        description = "Ranks the recovery paths for the facts in a JSON file.")
final class TriageVerb implements Callable<Integer> {

    @Parameters(paramLabel = "FACTS.json")
    private Path file;

    @Override
    public Integer call() throws Exception {
        Protocol protocol = Protocol.current();
        System.out.println(Json.writePretty(new Triage(protocol).rank(FactsFile.read(file, protocol))));
        return EngineCommand.DONE;
    }
}
