package org.brantel.core.scan;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import org.brantel.core.Engine;
import org.brantel.core.carve.Carver;
import org.brantel.core.carve.ContentKind;
import org.brantel.core.carve.Kinds;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.finding.Finding;
import org.brantel.core.json.Json;
import org.brantel.core.source.DestinationGuard;
import org.brantel.core.source.Range;
import org.brantel.core.source.RangeSet;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.volume.Volume;
import org.brantel.core.volume.Volumes;

/** One scan session on a source. Use once. */
public final class Scan {

    private final Source source;
    private final ScanPlan plan;
    private final ScanListener listener;
    private final Clock clock;

    private final List<String> problems = new ArrayList<>();
    private final List<Range> freeSpace = new ArrayList<>();
    private final Joiner joiner = new Joiner();
    private List<Volumes.Found> volumes = List.of();
    private FindingsLog log;
    private ContentHasher hasher;
    private long rejected;

    public Scan(Source source, ScanPlan plan, ScanListener listener, Clock clock) {
        this.source = source;
        this.plan = plan;
        this.listener = listener;
        this.clock = clock;
    }

    /**
     * Scans and writes {@code session.json} and {@code findings.ndjson} into a folder.
     *
     * @throws SourceException when the plan names a volume that is not there
     */
    public ScanReport run(Path out, BooleanSupplier stop) throws IOException {
        DestinationGuard.check(source, out);
        Files.createDirectories(out);
        Instant started = clock.instant();
        long start = System.nanoTime();
        volumes = Volumes.listed(source, problems);
        if (plan.volume() != null && volumes.stream().noneMatch(v -> v.volume().index() == plan.volume())) {
            throw new SourceException("There is no volume " + plan.volume() + " on " + source.description() + "; it has "
                    + volumes.size() + ".");
        }
        hasher = plan.hash() ? new ContentHasher(source) : null;
        try (FindingsLog findings = new FindingsLog(out.resolve("findings.ndjson"))) {
            log = findings;
            readRecords(stop);
            if (plan.method().carves()) {
                carve(stop);
            }
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
        ScanReport report = report(started, (System.nanoTime() - start) / 1e9, !stop.getAsBoolean());
        Files.writeString(out.resolve("session.json"), Json.writePretty(report));
        return report;
    }

    /** Also done when only carving is asked for: it says what lies free and what a hit lies in. */
    private void readRecords(BooleanSupplier stop) throws IOException {
        boolean keep = plan.method().readsRecords();
        if (!keep && !plan.freeSpaceOnly()) {
            return;
        }
        int done = 0;
        for (Volumes.Found found : volumes) {
            if (stop.getAsBoolean()) {
                return;
            }
            listener.progressed("records", done++, volumes.size());
            if (plan.volume() != null && found.volume().index() != plan.volume()) {
                continue;
            }
            FindingSink sink = keep ? this.sink() : FindingSink.NONE;
            try {
                freeSpace.addAll(found.reader().walk(new Walk(found.volume().index(), plan.method().carves(), sink, stop)));
            } catch (SourceException.Gone e) {
                throw e;
            } catch (IOException e) {
                problems.add("Volume " + found.volume().index() + " could not be read to its end: " + e.getMessage() + ".");
            }
        }
        listener.progressed("records", volumes.size(), volumes.size());
    }

    private FindingSink sink() {
        return new FindingSink() {
            @Override
            public void found(Finding finding) {
                take(finding);
            }

            @Override
            public void problem(String what) {
                problems.add(what);
            }
        };
    }

    private void take(Finding finding) {
        if (!plan.wants(finding.kind())) {
            return;
        }
        try {
            Finding written = log.add(hasher == null ? finding : hasher.hashed(finding));
            if (plan.method().carves()) {
                joiner.note(written);
            }
            listener.found(written);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void carve(BooleanSupplier stop) throws IOException {
        List<ContentKind> kinds = Kinds.carvable().stream().filter(k -> plan.wants(k.code())).toList();
        List<Volume> known = volumes.stream().map(Volumes.Found::volume).toList();
        Carver carver = new Carver(source, kinds);
        List<Range> scope = scope();
        long all = scope.stream().mapToLong(Range::length).sum();
        long[] before = {0};
        Carver.Listener hits = new Carver.Listener() {
            @Override
            public boolean isWanted(long offset) {
                return joiner.isWanted(offset);
            }

            @Override
            public void found(ContentKind kind, Range where, ContentKind.Walk walk) {
                int id = joiner.known(where);
                if (id > 0) {
                    log.join(id);
                } else {
                    take(Joiner.nameless(kind, where, walk, known));
                }
            }

            @Override
            public void progressed(long bytes) {
                listener.progressed("content", before[0] + bytes, all);
            }
        };
        for (Range range : scope) {
            carver.run(range, hits, stop);
            before[0] += range.length();
        }
        rejected = carver.rejected();
    }

    private List<Range> scope() {
        if (plan.freeSpaceOnly()) {
            return RangeSet.of(freeSpace).ranges();
        }
        if (plan.volume() == null) {
            return List.of(new Range(0, source.size()));
        }
        Range medium = new Range(0, source.size());
        return volumes.stream().map(Volumes.Found::volume).filter(v -> v.index() == plan.volume())
                .map(v -> v.range().intersection(medium)).toList();
    }

    private ScanReport report(Instant started, double seconds, boolean finished) {
        Map<String, Object> scope = new LinkedHashMap<>();
        scope.put("volume", plan.volume());
        scope.put("kinds", plan.kinds().stream().sorted().toList());
        scope.put("freeSpaceOnly", plan.freeSpaceOnly());
        return new ScanReport(ScanReport.FORMAT, ScanReport.VERSION, Engine.VERSION, source.description(),
                source.identity(), source.size(), plan.method().word(), scope, started.toString(), seconds, finished,
                volumes.stream().map(Volumes.Found::volume).toList(), log.count(), log.kinds(), log.origins(), log.prognoses(),
                rejected, log.joined(), problems);
    }
}
