package org.brantel.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.brantel.core.explain.Explanation;
import org.brantel.core.explain.Step;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.json.Json;
import org.brantel.core.opening.Sources;
import org.brantel.core.scan.ScanReport;
import org.brantel.core.source.Source;
import org.brantel.core.volume.Volume;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "explain",
        mixinStandardHelpOptions = true,
        description = "Says why a finding is what it is said to be: volume, record, bytes, judgement.")
final class ExplainVerb implements Callable<Integer> {

    private static final int ROW = 16;

    @Parameters(index = "0", paramLabel = "SOURCE")
    private String source;

    @Parameters(index = "1", paramLabel = "FINDINGS.ndjson", description = "session.json is expected beside it.")
    private Path findings;

    @Parameters(index = "2", paramLabel = "ID")
    private long id;

    @Option(names = "--json", description = "As JSON.")
    private boolean json;

    @Override
    public Integer call() throws Exception {
        Finding[] found = new Finding[1];
        FindingsFile.read(findings, f -> found[0] = f.id() == id ? f : found[0]);
        if (found[0] == null) {
            throw new IllegalArgumentException("There is no finding " + id + " in " + findings + ".");
        }
        ScanReport report = Json.read(findings.resolveSibling("session.json"), ScanReport.class, "session");
        Volume volume = report.volumes().stream()
                .filter(v -> Integer.valueOf(v.index()).equals(found[0].volume()))
                .findFirst()
                .orElse(null);
        try (Source opened = Sources.open(source)) {
            var steps = Explanation.of(opened, volume, found[0]);
            if (json) {
                System.out.println(Json.writePretty(steps));
            } else {
                System.out.println(found[0].path() == null ? found[0].name() : found[0].path());
                steps.forEach(ExplainVerb::print);
            }
            return EngineCommand.DONE;
        }
    }

    private static void print(Step step) {
        System.out.println();
        System.out.println(step.title());
        step.words().forEach(w -> System.out.println("  " + w));
        String hex = step.hex();
        Long offset = step.offset();
        if (hex != null && offset != null) {
            for (int i = 0; i < hex.length(); i += 2 * ROW) {
                String row = hex.substring(i, Math.min(hex.length(), i + 2 * ROW));
                System.out.printf("  %12d  %s%n", offset + i / 2, row.replaceAll("..", "$0 "));
            }
        }
        step.fields().forEach(f -> System.out.printf("  %5d %4d  %s: %s%n", f.at(), f.length(), f.name(), f.value()));
    }
}
