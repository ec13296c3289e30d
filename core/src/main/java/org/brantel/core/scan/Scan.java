package org.brantel.core.scan;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.brantel.core.Engine;
import org.brantel.core.carve.Carver;
import org.brantel.core.carve.ContentKind;
import org.brantel.core.carve.Kinds;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.json.Json;
import org.brantel.core.source.DestinationGuard;
import org.brantel.core.source.Range;
import org.brantel.core.source.RangeSet;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.volume.Volume;

/** One scan session on a source. Use once. */
public final class Scan {

    private final Source source;
    private final ScanPlan plan;
    private final ScanListener listener;
    private final Clock clock;

    private final List<Finding> findings = new ArrayList<>();
    private final List<String> problems = new ArrayList<>();
    private final List<Range> freeSpace = new ArrayList<>();
    private List<Volumes.Found> volumes = List.of();
    private long rejected;
    private long joined;

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
        volumes = Volumes.find(source, problems);
        if (plan.volume() != null && volumes.stream().noneMatch(v -> v.volume().index() == plan.volume())) {
            throw new SourceException("There is no volume " + plan.volume() + " on " + source.description() + "; it has "
                    + volumes.size() + ".");
        }
        readRecords(stop);
        if (plan.method().carves()) {
            carve(stop);
        }
        findings.removeIf(f -> !plan.wants(f.kind()));
        if (plan.hash()) {
            hash(stop);
        }
        try (FindingsFile.Writer writer = new FindingsFile.Writer(out.resolve("findings.ndjson"))) {
            for (int i = 0; i < findings.size(); i++) {
                writer.write(findings.get(i).withId(i + 1L));
            }
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
            FindingSink sink = new FindingSink() {
                @Override
                public void found(Finding finding) {
                    if (keep) {
                        findings.add(finding);
                        listener.found(finding);
                    }
                }

                @Override
                public void problem(String what) {
                    problems.add(what);
                }
            };
            try {
                freeSpace.addAll(found.reader().walk(found.volume().index(), sink));
            } catch (SourceException.Gone e) {
                throw e;
            } catch (IOException e) {
                problems.add("Volume " + found.volume().index() + " could not be read to its end: " + e.getMessage() + ".");
            }
        }
        listener.progressed("records", volumes.size(), volumes.size());
    }

    private void carve(BooleanSupplier stop) throws IOException {
        List<ContentKind> kinds = Kinds.carvable().stream().filter(k -> plan.wants(k.code())).toList();
        Carver carver = new Carver(source, kinds);
        Joiner joiner = new Joiner();
        List<Range> scope = scope();
        long all = scope.stream().mapToLong(Range::length).sum();
        long before = 0;
        for (Range range : scope) {
            joiner.base = before;
            joiner.all = all;
            carver.run(range, joiner, stop);
            before += range.length();
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

    /** Brings carving hits together with what records name. */
    private final class Joiner implements Carver.Listener {
        private final Map<Long, Integer> byFirstByte = new HashMap<>();
        private final RangeSet inLiveFiles = new RangeSet();
        private long base;
        private long all;

        Joiner() {
            for (int i = 0; i < findings.size(); i++) {
                Finding f = findings.get(i);
                if (f.firstByte() >= 0 && f.prognosis() != Prognosis.OVERWRITTEN) {
                    byFirstByte.merge(f.firstByte(), i, (a, b) -> better(a, b));
                }
                if (f.origin() == Origin.LIVE && f.prognosis() == Prognosis.WHOLE) {
                    f.extents().forEach(inLiveFiles::add);
                }
            }
        }

        private int better(int a, int b) {
            return findings.get(a).score() >= findings.get(b).score() ? a : b;
        }

        @Override
        public boolean isWanted(long offset) {
            return byFirstByte.containsKey(offset) || !inLiveFiles.overlaps(new Range(offset, 1));
        }

        @Override
        public void found(ContentKind kind, Range where, ContentKind.Walk walk) {
            Integer known = byFirstByte.get(where.offset());
            if (known != null && sameBytes(findings.get(known), where)) {
                findings.set(known, findings.get(known).joinedByCarving());
                joined++;
                return;
            }
            Integer volume = volumes.stream().map(Volumes.Found::volume)
                    .filter(v -> v.range().overlaps(where)).map(Volume::index).findFirst().orElse(null);
            String name = "at-" + where.offset() + "." + kind.code();
            Finding finding = new Finding(0, volume, null, name, where.length(), kind.code(), Origin.CARVED,
                    Prognosis.WHOLE, 95, List.of("No record names it; its content was found by its own structure.",
                    walk.words()), List.of(where), null, null, null, null, null, null, null);
            findings.add(finding);
            listener.found(finding);
        }

        /** Trailing bytes in a file after its content's own end do not make it another file. */
        private boolean sameBytes(Finding finding, Range where) {
            return finding.extents().size() == 1 && finding.extents().get(0).length() == finding.size()
                    && (finding.size() == where.length()
                    || finding.size() > where.length() && finding.prognosis() == Prognosis.WHOLE);
        }

        @Override
        public void progressed(long bytes) {
            listener.progressed("content", base + bytes, all);
        }
    }

    private void hash(BooleanSupplier stop) throws IOException {
        ContentHasher hasher = new ContentHasher(source);
        for (int i = 0; i < findings.size() && !stop.getAsBoolean(); i++) {
            findings.set(i, hasher.hashed(findings.get(i)));
            listener.progressed("hashes", i + 1L, findings.size());
        }
    }

    private ScanReport report(Instant started, double seconds, boolean finished) {
        Map<String, Object> scope = new LinkedHashMap<>();
        scope.put("volume", plan.volume());
        scope.put("kinds", plan.kinds().stream().sorted().toList());
        scope.put("freeSpaceOnly", plan.freeSpaceOnly());
        return new ScanReport(ScanReport.FORMAT, ScanReport.VERSION, Engine.VERSION, source.description(),
                source.identity(), source.size(), plan.method().word(), scope, started.toString(), seconds, finished,
                volumes.stream().map(Volumes.Found::volume).toList(), findings.size(), count(Finding::kind),
                count(f -> f.origin().word()), count(f -> f.prognosis().word()), rejected, joined, problems);
    }

    private Map<String, Long> count(Function<Finding, String> by) {
        return findings.stream().collect(Collectors.groupingBy(by, TreeMap::new, Collectors.counting()));
    }
}
