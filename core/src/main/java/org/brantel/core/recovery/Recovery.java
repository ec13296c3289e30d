package org.brantel.core.recovery;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributeView;
import java.nio.file.attribute.FileTime;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.content.Extents;
import org.brantel.core.content.FileContent;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.hash.Hashes;
import org.brantel.core.image.DestinationFull;
import org.brantel.core.layout.LaidOut;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.device.DestinationGuard;
import org.jspecify.annotations.Nullable;

/**
 * Writes a selection out and reads it back. Stopped or killed, a second run over the same selection goes on: what
 * stands and still hashes the same is kept.
 */
public final class Recovery {

    /** Hears of each file; on the run's own thread. */
    public interface Listener {
        void done(RecoveryResult result, int number, int all);
    }

    /** @param stoppedBecause why the run ended early, in one sentence; null when it went through */
    public record Outcome(
            List<RecoveryResult> results, @Nullable String stoppedBecause) {}

    private static final int BUFFER = 256 << 10;

    private final Source source;
    private final Path destination;
    private final Path resultsFile;
    private final Listener listener;
    private final byte[] buffer = new byte[BUFFER];

    /**
     * @param destination folder for the files; made when missing
     * @param resultsFile where results.ndjson goes
     */
    public Recovery(Source source, Path destination, Path resultsFile, Listener listener) {
        this.source = source;
        this.destination = destination;
        this.resultsFile = resultsFile;
        this.listener = listener;
    }

    /** @param paths relative to the destination, by the findings' numbers; see {@link LaidOut} */
    public Outcome run(List<Finding> selection, Map<Long, LaidOut.Place> paths, BooleanSupplier stop)
            throws IOException {
        DestinationGuard.check(source, destination);
        Files.createDirectories(destination);
        Map<Long, RecoveryResult> before = ResultsFile.read(resultsFile);
        clear(before.values(), paths);
        List<RecoveryResult> results = new ArrayList<>();
        try (ResultsFile file = new ResultsFile(resultsFile)) {
            for (Finding finding : selection) {
                if (stop.getAsBoolean()) {
                    return new Outcome(results, "It was stopped; run it again to go on.");
                }
                RecoveryResult result = before.get(finding.id());
                String path = Objects.requireNonNull(paths.get(finding.id())).path();
                if (result == null || !stillStands(result, path)) {
                    try {
                        result = write(finding, path);
                    } catch (DestinationFull e) {
                        return new Outcome(results, e.getMessage());
                    }
                    file.write(result);
                }
                results.add(result);
                listener.done(result, results.size(), selection.size());
            }
        }
        return new Outcome(results, null);
    }

    /** What was written by a run over another selection, at a path that nobody has now, goes. */
    private void clear(Collection<RecoveryResult> before, Map<Long, LaidOut.Place> paths) throws IOException {
        Set<String> planned = new HashSet<>();
        paths.values().forEach(place -> planned.add(place.path()));
        for (RecoveryResult old : before) {
            String path = old.path();
            if (path != null && !planned.contains(path)) {
                Path gone = place(path);
                Files.deleteIfExists(gone);
                // A folder that nothing is left in may bear the name of a file now.
                Path up = gone.getParent();
                while (up != null && !up.equals(destination) && isEmpty(up)) {
                    Files.delete(up);
                    up = up.getParent();
                }
            }
        }
    }

    private static boolean isEmpty(Path folder) throws IOException {
        try (Stream<Path> inside = Files.list(folder)) {
            return inside.findAny().isEmpty();
        }
    }

    private boolean stillStands(RecoveryResult result, String planned) throws IOException {
        if (!result.stands() || !planned.equals(result.path())) {
            return false;
        }
        Path file = destination.resolve(result.path());
        return Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)
                && hashOf(file).equals(result.sha256());
    }

    private RecoveryResult write(Finding finding, String relative) throws IOException {
        long held = Extents.length(finding.extents());
        if (finding.prognosis() == Prognosis.OVERWRITTEN || held == 0 && finding.size() > 0) {
            return notWritten(
                    finding,
                    finding.prognosis() == Prognosis.OVERWRITTEN
                            ? "Overwritten: other data stands where it was."
                            : "None of its bytes are placed.");
        }
        Path target = place(relative);
        Path part = target.resolveSibling(".brantel-" + finding.id() + ".part");
        List<Range> gaps;
        MessageDigest digest = Hashes.sha256();
        try {
            Files.deleteIfExists(part);
            try (OutputStream out =
                    new DigestOutputStream(Files.newOutputStream(part, StandardOpenOption.CREATE_NEW), digest)) {
                gaps = copy(finding, out);
            }
            Files.move(part, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
            setTimes(target, finding);
        } catch (IOException e) {
            Files.deleteIfExists(part);
            if (DestinationFull.caused(e, target.getParent(), finding.size())) {
                throw new DestinationFull(
                        "The destination is full; it stopped before '" + finding.name()
                                + "'. What was written stands; make room and run it again to go on.",
                        e);
            }
            if (e instanceof SourceException) {
                throw e;
            }
            return notWritten(finding, "It could not be written: " + e.getMessage() + ".");
        }
        String written = Hashes.hex(digest.digest());
        String back = hashOf(target);
        if (!back.equals(written)) {
            Files.delete(target);
            return notWritten(
                    finding,
                    "Read back it differed from what was written (" + written + " became " + back
                            + "); the file was removed. Try again, on another disk if it repeats.");
        }
        boolean whole = gaps.isEmpty();
        return new RecoveryResult(
                finding.id(),
                relative,
                Files.size(target),
                whole ? RecoveryResult.Outcome.WHOLE : RecoveryResult.Outcome.GAPPED,
                written,
                gaps,
                whole
                        ? null
                        : gaps.stream().mapToLong(Range::length).sum()
                                + " bytes were never read; they are zeros in the file.");
    }

    private static RecoveryResult notWritten(Finding finding, String why) {
        return new RecoveryResult(
                finding.id(), null, finding.size(), RecoveryResult.Outcome.NOT_WRITTEN, null, List.of(), why);
    }

    /** Makes the folders of a path one by one; a link among them would lead out of the destination. */
    private Path place(String relative) throws IOException {
        Path folder = destination;
        String[] parts = relative.split("/");
        for (int i = 0; i < parts.length - 1; i++) {
            folder = folder.resolve(parts[i]);
            if (Files.isSymbolicLink(folder)) {
                throw new SourceException(
                        folder + " is a link; it could lead out of the destination. Remove it and run again.");
            }
            if (!Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)) {
                Files.createDirectory(folder);
            }
        }
        Path target = folder.resolve(parts[parts.length - 1]);
        if (!target.normalize().startsWith(destination.normalize())) {
            throw new SourceException("The path '" + relative + "' would leave the destination.");
        }
        return target;
    }

    /** @return gaps, in offsets of the file */
    private List<Range> copy(Finding finding, OutputStream out) throws IOException {
        RangeSet gaps = new RangeSet();
        FileContent content = finding.content(source);
        // Where no extent leads, nothing is written: a record may claim any size.
        long placed = Math.min(content.size(), Extents.length(finding.extents()));
        for (long at = 0; at < placed; ) {
            int n = (int) Math.min(buffer.length, placed - at);
            content.read(at, buffer, 0, n).failed().forEach(gaps::add);
            out.write(buffer, 0, n);
            at += n;
        }
        gaps.add(new Range(placed, content.size() - placed));
        return gaps.ranges();
    }

    private static void setTimes(Path file, Finding finding) throws IOException {
        Files.getFileAttributeView(file, BasicFileAttributeView.class)
                .setTimes(time(finding.modified()), time(finding.accessed()), time(finding.created()));
    }

    private static @Nullable FileTime time(@Nullable Instant instant) {
        return instant == null ? null : FileTime.from(instant);
    }

    private String hashOf(Path file) throws IOException {
        MessageDigest digest = Hashes.sha256();
        try (InputStream in = Files.newInputStream(file)) {
            for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                digest.update(buffer, 0, n);
            }
        }
        return Hashes.hex(digest.digest());
    }
}
