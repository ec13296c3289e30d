package org.brantel.core.scan;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.BooleanSupplier;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.carve.CarvePlan;
import org.brantel.core.carve.Carver;
import org.brantel.core.carve.Failed;
import org.brantel.core.carve.Hit;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.filesystem.Trash;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.filesystem.Walked;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.json.Json;
import org.brantel.core.json.JsonLines;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kinds.Kinds;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.device.DestinationGuard;
import org.brantel.core.volume.Volume;
import org.brantel.core.volume.VolumeSearch;
import org.brantel.core.volume.Volumes;
import org.jspecify.annotations.Nullable;

/** One scan session on a source. Use once. */
public final class Scan {

    /** File of the starts that failed their check, beside the findings. */
    public static final String FAILED = "failed.ndjson";

    private static final long MOST_FAILED = 100_000;
    private static final int SECTOR = 512;
    private static final int MOST_CARVED = 20_000;

    private final Source source;
    private final ScanPlan plan;
    private final ScanListener listener;
    private final Clock clock;

    private final List<String> problems = new ArrayList<>();
    private final Joiner joiner = new Joiner();
    private final List<Volumes.Found> volumes = new ArrayList<>();
    private final Map<Integer, Walked> walked = new LinkedHashMap<>();
    private final VolumeSearch search;
    private @Nullable FindingsLog log;
    private @Nullable JsonLines failed;
    private final @Nullable ContentHasher hasher;
    private long rejected;
    private @Nullable Carver carver;
    private final Claims claims;

    public Scan(Source source, ScanPlan plan, ScanListener listener, Clock clock) {
        this.source = source;
        this.plan = plan;
        this.listener = listener;
        this.clock = clock;
        search = new VolumeSearch(source);
        claims = new Claims(source.size());
        hasher = plan.options().hash() ? new ContentHasher() : null;
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
        volumes.addAll(Volumes.listed(source, problems));
        volumes.addAll(search.atUsualPlaces(volumes));
        try (FindingsLog findings = new FindingsLog(out.resolve("findings.ndjson"));
                JsonLines starts = new JsonLines(out.resolve(FAILED), Failed.class)) {
            log = findings;
            failed = starts;
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

    private FindingsLog log() {
        return Objects.requireNonNull(log, "a log while it scans");
    }

    /** Also done when only carving is asked for: it says what lies free and what a hit lies in. */
    private void readRecords(BooleanSupplier stop) throws IOException {
        boolean keep = plan.method().readsRecords();
        if (!keep && !plan.scope().freeSpaceOnly() && plan.scope().volume() == null) {
            return;
        }
        walkAll(List.copyOf(volumes), keep, stop);
        if (keep && plan.options().search() && !stop.getAsBoolean()) {
            long all = search.bytesToSweep(volumes, walked);
            List<Volumes.Found> more = search.everywhere(
                    List.copyOf(volumes), walked, done -> listener.progressed("search", done, all), stop);
            volumes.addAll(more);
            walkAll(more, true, stop);
        }
        if (plan.scope().volume() != null
                && volumes.stream()
                        .noneMatch(v -> v.volume().index() == plan.scope().volume())) {
            throw new SourceException("There is no volume " + plan.scope().volume() + " on " + source.description()
                    + "; it has " + volumes.size() + ".");
        }
    }

    private void walkAll(List<Volumes.Found> those, boolean keep, BooleanSupplier stop) throws IOException {
        int done = 0;
        for (Volumes.Found found : those) {
            if (stop.getAsBoolean()) {
                return;
            }
            listener.progressed("records", done++, those.size());
            boolean wanted = plan.scope().volume() == null
                    || found.volume().index() == plan.scope().volume();
            if (!found.volume().readable()) {
                problem(
                        found.volume(),
                        "Volume " + found.volume().index() + " ("
                                + found.volume().fs() + "): "
                                + String.join(" ", found.volume().remarks()));
            } else {
                walk(found, wanted && keep, stop);
            }
        }
        listener.progressed("records", those.size(), those.size());
    }

    private void walk(Volumes.Found found, boolean files, BooleanSupplier stop) throws IOException {
        Volume volume = found.volume();
        try {
            Trash trash = new Trash(source, sink(volume));
            Walked left = !files
                    ? Walked.of(found.reader().free())
                    : found.reader()
                            .walk(new Walk(
                                    volume.index(),
                                    plan.method().carves() || plan.options().listed(),
                                    takenOver(volume),
                                    trash,
                                    stop));
            trash.finish();
            if (volume.state() != Volume.State.EARLIER) {
                walked.putIfAbsent(volume.index(), left);
            }
        } catch (SourceException.Gone e) {
            throw e;
        } catch (IOException e) {
            problem(volume, "Volume " + volume.index() + " could not be read to its end: " + e.getMessage() + ".");
        }
    }

    /** What the volumes that were made over one use of it. */
    private RangeSet takenOver(Volume volume) {
        RangeSet taken = new RangeSet();
        if (volume.state() == Volume.State.EARLIER) {
            for (Volumes.Found other : volumes) {
                Walked left = walked.get(other.volume().index());
                if (left != null && other.volume().range().overlaps(volume.range())) {
                    taken.add(other.volume().range());
                    left.free().forEach(taken::remove);
                }
            }
        }
        return taken;
    }

    private FindingSink sink(Volume volume) {
        return new FindingSink() {
            @Override
            public void found(Finding finding) {
                take(finding);
            }

            @Override
            public void problem(String what) {
                Scan.this.problem(volume, what);
            }
        };
    }

    private void problem(Volume volume, String what) {
        problems.add(what);
        log().problem(volume.index(), what);
    }

    private void take(Finding finding) {
        if (!plan.wants(finding.kind()) || plan.options().listed() && finding.origin() != Origin.LIVE) {
            return;
        }
        try {
            claims.add(finding);
            Finding written = log().add(hasher == null ? finding : hasher.hashed(finding, source));
            if (plan.method().carves()) {
                joiner.note(written);
            }
            listener.found(written);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void carve(BooleanSupplier stop) throws IOException {
        List<ContentKind> kinds = Kinds.carvable().stream()
                .filter(k -> k.codes().stream().anyMatch(plan::wants))
                .toList();
        List<Volume> known =
                volumes.stream().map(Volumes.Found::volume).distinct().toList();
        carver = new Carver(
                source,
                new CarvePlan(
                        kinds,
                        plan.options().everyByte(),
                        plan.options().nested(),
                        Math.min(source.sectorSize(), SECTOR)));
        List<Range> scope = scope();
        long all = scope.stream().mapToLong(Range::length).sum();
        long[] done = {0};
        Containers containers = new Containers();
        RangeSet before = RangeSet.of(plan.scope().notAgain());
        Carver.Listener hits = new Carver.Listener() {
            @Override
            public boolean isWanted(long offset) {
                return (plan.options().nested() || joiner.isWanted(offset)) && !before.overlaps(new Range(offset, 1));
            }

            @Override
            public void found(Hit hit) {
                int id = joiner.known(hit);
                if (id > 0) {
                    log().join(id);
                } else {
                    take(containers.within(
                            Joiner.nameless(hit, known, plan.options().names()), log().count() + 1L));
                }
            }

            @Override
            public void failed(Failed start) {
                if (++rejected <= MOST_FAILED) {
                    Objects.requireNonNull(failed, "a file while it scans").write(start);
                }
            }

            @Override
            public void progressed(long bytes) {
                listener.progressed("content", done[0] + bytes, all);
            }
        };
        for (Range range : scope) {
            carver.run(range, hits, stop);
            done[0] += range.length();
        }
    }

    private List<Range> scope() {
        RangeSet scope = RangeSet.of(
                plan.scope().range() == null
                        ? unbounded()
                        : unbounded().stream()
                                .filter(plan.scope().range()::overlaps)
                                .map(plan.scope().range()::intersection)
                                .toList());
        plan.scope().notAgain().forEach(scope::remove);
        long step = Math.min(source.sectorSize(), SECTOR);
        return RangeSet.of(scope.ranges().stream().map(r -> whole(r, step)).toList())
                .ranges();
    }

    /** Content begins where sectors do, counted from the medium's first byte. */
    private Range whole(Range range, long step) {
        long from = range.offset() / step * step;
        return new Range(from, Math.min(source.size(), (range.end() + step - 1) / step * step) - from);
    }

    private List<Range> unbounded() {
        if (plan.scope().freeSpaceOnly()) {
            RangeSet free = new RangeSet();
            walked.forEach((index, w) -> {
                if (plan.scope().volume() == null || index.equals(plan.scope().volume())) {
                    w.free().forEach(free::add);
                }
            });
            return free.ranges();
        }
        if (plan.scope().volume() == null) {
            return List.of(new Range(0, source.size()));
        }
        Range medium = new Range(0, source.size());
        return volumes.stream()
                .map(Volumes.Found::volume)
                .filter(v -> v.index() == plan.scope().volume())
                .map(v -> v.range().intersection(medium))
                .toList();
    }

    /** In order; when there are very many, the longest. */
    private List<long[]> carved() {
        return carver == null
                ? List.of()
                : carver.looked().stream()
                        .sorted(Comparator.comparingLong(Range::length).reversed())
                        .limit(MOST_CARVED)
                        .sorted(Comparator.comparingLong(Range::offset))
                        .map(r -> new long[] {r.offset(), r.length()})
                        .toList();
    }

    private ScanReport report(Instant started, double seconds, boolean finished) {
        Map<String, Object> scope = new LinkedHashMap<>();
        scope.put("volume", plan.scope().volume());
        scope.put("kinds", plan.options().kinds().stream().sorted().toList());
        scope.put("freeSpaceOnly", plan.scope().freeSpaceOnly());
        scope.put(
                "range",
                plan.scope().range() == null
                        ? null
                        : List.of(
                                plan.scope().range().offset(),
                                plan.scope().range().length()));
        scope.put("everyByte", plan.options().everyByte());
        scope.put("nested", plan.options().nested());
        return new ScanReport(
                ScanReport.Edition.PRESENT,
                new ScanReport.Medium(source.description(), source.identity(), source.size()),
                plan.method(),
                scope,
                new ScanReport.Course(started.toString(), seconds, finished),
                volumes.stream().map(Volumes.Found::volume).distinct().toList(),
                new ScanReport.Tally(
                        log().count(),
                        log().kinds(),
                        log().origins(),
                        log().prognoses(),
                        rejected,
                        log().joined(),
                        log().volumes()),
                new ScanReport.Account(carved(), claims.sum(), problems));
    }
}
