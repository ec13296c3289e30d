package org.brantel.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.layout.LaidOut;
import org.brantel.core.layout.Layout;
import org.brantel.core.layout.NameRules;
import org.brantel.core.layout.Placeable;
import org.brantel.core.opening.Sources;
import org.brantel.core.recovery.Recovery;
import org.brantel.core.recovery.RecoveryResult;
import org.brantel.core.source.Source;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "extract",
        mixinStandardHelpOptions = true,
        description = "Writes findings out and reads them back; DEST/results.ndjson says what became of each.")
final class ExtractVerb implements Callable<Integer> {

    @Parameters(paramLabel = "SOURCE")
    private String source;

    @Parameters(paramLabel = "FINDINGS.ndjson")
    private Path findings;

    @Parameters(paramLabel = "DEST")
    private Path destination;

    @Option(names = "--origin", split = ",", description = "Only these: live, deleted, earlier, carved.")
    private Set<String> origins = Set.of();

    @Option(names = "--prognosis", split = ",", description = "Only these: whole, gapped, doubtful, overwritten.")
    private Set<String> prognoses = Set.of();

    @Option(names = "--kinds", split = ",", description = "Only these kinds.")
    private Set<String> kinds = Set.of();

    @Option(names = "--ids", split = ",", description = "Only these findings.")
    private Set<Long> ids = Set.of();

    @Option(names = "--layout", description = "Which folders: as-it-stood (by itself), by-kind or by-day.")
    private String layout = Layout.AS_IT_STOOD.word();

    @Option(
            names = "--opens-on",
            description = "Whose names must fit: every system's (by itself), windows, mac or linux.")
    private String opensOn = NameRules.EVERY.word();

    @Option(names = "--progress", description = "Show progress even when standard error is not a terminal.")
    private boolean progress;

    @Override
    public Integer call() throws Exception {
        List<Finding> selection = new ArrayList<>();
        FindingsFile.read(findings, f -> {
            if (isWanted(f)) {
                selection.add(f);
            }
        });
        ProgressLine line = new ProgressLine(progress);
        try (Source opened = Sources.open(source)) {
            for (Finding f : selection) {
                if (f.firstByte() >= opened.size()) {
                    throw new IllegalArgumentException("Finding " + f.id() + " of " + findings + " lies beyond "
                            + opened.description() + "; these findings are of another source.");
                }
            }
            Files.createDirectories(destination);
            Recovery.Outcome outcome = new Recovery(
                            opened,
                            destination,
                            destination.resolve("results.ndjson"),
                            (result, number, all) -> line.show("writing", number, all))
                    .run(
                            selection,
                            LaidOut.plan(
                                    selection.stream().map(Placeable::of).toList(),
                                    Layout.ofWord(layout),
                                    NameRules.ofWord(opensOn)),
                            () -> false);
            line.done();
            long whole = count(outcome, RecoveryResult.Outcome.WHOLE);
            long gapped = count(outcome, RecoveryResult.Outcome.GAPPED);
            System.out.printf(
                    "%d of %d written whole, %d with gaps, %d not written.%n",
                    whole, selection.size(), gapped, selection.size() - whole - gapped);
            if (outcome.stoppedBecause() != null) {
                System.err.println(outcome.stoppedBecause());
            }
            return whole == selection.size() ? EngineCommand.DONE : EngineCommand.DONE_WITH_NOTE;
        }
    }

    private boolean isWanted(Finding f) {
        return (origins.isEmpty() || origins.contains(f.origin().word()))
                && (prognoses.isEmpty() || prognoses.contains(f.prognosis().word()))
                && (kinds.isEmpty() || kinds.contains(f.kind()))
                && (ids.isEmpty() || ids.contains(f.id()));
    }

    private static long count(Recovery.Outcome outcome, RecoveryResult.Outcome which) {
        return outcome.results().stream().filter(r -> r.outcome() == which).count();
    }
}
