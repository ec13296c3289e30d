package org.brantel.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import org.brantel.core.bytes.Range;
import org.brantel.core.carve.SuggestedNames;
import org.brantel.core.imaging.Imager;
import org.brantel.core.json.Json;
import org.brantel.core.opening.Sources;
import org.brantel.core.scan.Scan;
import org.brantel.core.scan.ScanListener;
import org.brantel.core.scan.ScanMethod;
import org.brantel.core.scan.ScanPlan;
import org.brantel.core.scan.ScanReport;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "scan",
        mixinStandardHelpOptions = true,
        description = "Looks for files on SOURCE; writes session.json and findings.ndjson.")
final class ScanVerb implements Callable<Integer> {

    @Parameters(paramLabel = "SOURCE")
    private String source;

    @Mixin
    private ReleaseOptions release;

    @Option(names = "--out", required = true, paramLabel = "DIR", description = "Folder for the results.")
    private Path out;

    @Option(names = "--method", defaultValue = "both", description = "structure, carve or both.")
    private String method;

    @Option(names = "--volume", paramLabel = "N", description = "Only this volume.")
    private @Nullable Integer volume;

    @Option(names = "--kinds", split = ",", paramLabel = "KIND", description = "Only these kinds, like jpg,pdf.")
    private Set<String> kinds = Set.of();

    @Option(
            names = "--quick",
            description =
                    "Read records only; do not search what is free for lost volumes and records of before a format.")
    private boolean quick;

    @Option(names = "--free-space-only", description = "Carve only what no live file uses.")
    private boolean freeSpaceOnly;

    @Option(
            names = "--range",
            paramLabel = "OFFSET+LENGTH",
            description = "Carve only these bytes, like 1048576+33554432.")
    private @Nullable String range;

    @Option(names = "--every-byte", description = "Carve content that begins at any byte, not only where sectors do.")
    private boolean everyByte;

    @Option(
            names = "--after",
            paramLabel = "SESSION",
            description = "Carve only what an earlier session of the same medium did not; names its session.json. May "
                    + "be given more than once.")
    private List<Path> after = List.of();

    @Option(names = "--nested", description = "Also carve files that lie inside others; each names its container.")
    private boolean nested;

    @Option(
            names = "--names",
            paramLabel = "PATTERN",
            defaultValue = "{taken} {said}",
            description = "How to name what no record names, from what it says; like '{title} {author}'.")
    private String names;

    @Option(names = "--hash", description = "SHA-256 of every finding that is fully read.")
    private boolean hash;

    @Option(names = "--progress", description = "Show progress even when standard error is not a terminal.")
    private boolean progress;

    @Override
    public Integer call() throws Exception {
        release.check();
        ProgressLine line = new ProgressLine(progress);
        ScanListener listener = new ScanListener() {
            @Override
            public void progressed(String phase, long done, long all) {
                line.show(phase, done, all);
            }
        };
        ScanPlan plan = ScanPlan.of(ScanMethod.ofWord(method))
                .onVolume(volume)
                .ofKinds(kinds)
                .searching(!quick)
                .inFreeSpace(freeSpaceOnly)
                .carving(within(), everyByte)
                .nesting(nested)
                .naming(new SuggestedNames(names))
                .hashing(hash);
        try (Source opened = open()) {
            ScanReport report = new Scan(
                            opened, plan.except(carvedBefore(plan, opened.size())), listener, Clock.systemUTC())
                    .run(out, () -> false);
            line.done();
            System.out.printf(
                    "%d findings on %d volumes in %.1f s; %d problems.%n",
                    report.findings(),
                    report.volumes().size(),
                    report.seconds(),
                    report.account().problems().size());
            return report.account().problems().isEmpty() ? EngineCommand.DONE : EngineCommand.DONE_WITH_NOTE;
        }
    }

    private List<Range> carvedBefore(ScanPlan plan, long size) throws IOException {
        List<Range> carved = new ArrayList<>();
        for (Path session : after) {
            ScanReport earlier = Json.read(session, ScanReport.class, "session");
            List<Range> these = earlier.carvedFor(plan, size);
            if (these.isEmpty()) {
                throw new IllegalArgumentException(session
                        + " spares nothing: it carved another medium, for fewer kinds or starts, by "
                        + "another version, or not at all. Leave it out.");
            }
            carved.addAll(these);
        }
        return carved;
    }

    private @Nullable Range within() {
        if (range == null) {
            return null;
        }
        String[] parts = range.split("\\+");
        try {
            return new Range(Long.parseLong(parts[0]), Long.parseLong(parts[1]));
        } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
            throw new IllegalArgumentException(
                    "'" + range + "' is no range; write it as OFFSET+LENGTH in bytes, like 1048576+33554432.", e);
        }
    }

    /** An image that a session is still writing is scanned as it comes. */
    private Source open() throws IOException {
        boolean isPath = !source.contains(":");
        return isPath && Imager.isWriting(Path.of(source))
                ? Sources.openFilling(Path.of(source), this::isWriting)
                : Sources.open(source);
    }

    private boolean isWriting() {
        try {
            return Imager.isWriting(Path.of(source));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
