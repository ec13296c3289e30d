package org.brantel.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.Triage;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;

/** What a case says of touching its device: verbs that read a device ask here before they open it. */
final class ReleaseOptions {

    @Option(
            names = "--case",
            paramLabel = "FACTS.json",
            description = "The facts of the case, as for the verb triage; its stop rules hold here.")
    private @Nullable Path facts;

    @Option(
            names = "--released",
            paramLabel = "REASON",
            description = "Why the device may be read although a stop rule of the case forbids it.")
    private @Nullable String reason;

    /** @throws IllegalArgumentException when a stop rule forbids reading and no reason was given */
    void check() throws IOException {
        if (reason != null && reason.isBlank()) {
            throw new IllegalArgumentException("A release needs a reason; write it behind --released.");
        }
        if (facts == null) {
            return;
        }
        Protocol protocol = Protocol.current();
        List<Ranking.Stop> stops = new Triage(protocol)
                .stopRules(FactsFile.read(facts, protocol)).stream()
                        .filter(Ranking.Stop::forbidsPower)
                        .toList();
        if (stops.isEmpty()) {
            return;
        }
        if (reason == null) {
            String why = stops.stream()
                    .flatMap(s -> s.because().stream())
                    .map(f -> protocol.say(f.split("=")[0], f.split("=")[1]))
                    .distinct()
                    .collect(Collectors.joining(", "));
            throw new IllegalArgumentException("A stop rule of the case forbids powering or reading this device (" + why
                    + "); give the reason why it may be read all the same: --released \"…\".");
        }
        System.err.println("Released from a stop rule: " + reason.strip());
    }
}
