package org.brantel.core.image;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.WriteBlock;
import org.brantel.core.source.device.FileSource;
import org.jspecify.annotations.Nullable;

/**
 * An image that an imaging session is still writing. A read of what was never tried asks the session for it
 * ({@link WantedFirst}) and waits until it has been, read or not; the image's map says so. {@link #knownUnread} tells
 * what is there now and waits for nothing: content that is not there yet is simply missing.
 */
public final class FillingImage implements Source {

    private static final long LOOK_NANOS = 50_000_000L;
    /** Bytes that a single read asks for beyond its own, since its neighbours are mostly next. */
    private static final long READ_AHEAD = 1 << 20;

    private final Path path;
    private final Path mapFile;
    private final BooleanSupplier filling;
    private final WantedFirst wanted;
    private final MapJournal.Header header;
    private final RangeSet asked = new RangeSet();
    private ReadMap map;
    private BasicFileAttributes seen;
    private long lookedAt = System.nanoTime();
    /** Null while the image file is empty. */
    private @Nullable FileSource image;

    public FillingImage(Path path, BooleanSupplier filling) throws IOException {
        this.path = path;
        this.filling = filling;
        mapFile = MapJournal.beside(path);
        wanted = WantedFirst.beside(path);
        if (!Files.exists(mapFile) || Files.size(mapFile) == 0) {
            throw new SourceException("Nothing was read into " + path.getFileName() + " yet; try again in a moment.");
        }
        seen = attributes();
        MapJournal.Loaded loaded = MapJournal.load(mapFile);
        header = loaded.header();
        map = loaded.map();
    }

    @Override
    public ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        Source.checkBounds(this, offset, buffer, at, length);
        Range range = new Range(offset, length);
        waitFor(range);
        List<Range> failed = new ArrayList<>();
        long nanos = 0;
        for (ReadMap.Run run : map.runs(range)) {
            int to = at + (int) (run.range().offset() - offset);
            int n = (int) run.range().length();
            FileSource file =
                    run.state() == BlockState.READ ? fileUpTo(run.range().end()) : null;
            if (file != null) {
                ReadOutcome part = file.read(run.range().offset(), buffer, to, n);
                nanos += part.nanos();
                failed.addAll(part.failed());
            } else {
                java.util.Arrays.fill(buffer, to, to + n, (byte) 0);
                failed.add(run.range());
            }
        }
        return new ReadOutcome(RangeSet.of(failed).ranges(), nanos);
    }

    private void waitFor(Range range) throws IOException {
        boolean told = false;
        while (isUnasked(range)) {
            boolean more = filling.getAsBoolean();
            refresh();
            if (!more || !isUnasked(range)) {
                return;
            }
            if (!told) {
                told = true;
                ask(new Range(range.offset(), Math.min(size() - range.offset(), Math.max(range.length(), READ_AHEAD))));
            }
            LockSupport.parkNanos(LOOK_NANOS);
        }
    }

    private boolean isUnasked(Range range) {
        return map.runs(range).stream().anyMatch(r -> r.state() == BlockState.UNASKED);
    }

    @Override
    public boolean isFilling() {
        return true;
    }

    @Override
    public void willNeed(List<Range> ranges) throws IOException {
        for (Range r : ranges) {
            Range there = r.intersection(new Range(0, size()));
            if (!there.isEmpty()) {
                ask(there);
            }
        }
    }

    /** Once for each byte. */
    private void ask(Range range) throws IOException {
        RangeSet fresh = new RangeSet();
        map.runs(range).stream().filter(r -> r.state() == BlockState.UNASKED).forEach(r -> fresh.add(r.range()));
        asked.within(range).forEach(fresh::remove);
        if (!fresh.isEmpty()) {
            wanted.ask(fresh.ranges());
            fresh.ranges().forEach(asked::add);
        }
    }

    /**
     * The image file grows; one that was opened earlier knows its old end.
     *
     * @return null while it ends earlier
     */
    private @Nullable FileSource fileUpTo(long end) throws IOException {
        if ((image == null || end > image.size()) && Files.size(path) >= end) {
            close();
            image = FileSource.open(path, WriteBlock.REQUIRED);
        }
        return image != null && end <= image.size() ? image : null;
    }

    /** The journal is appended to, and replaced by its sum at the end. */
    private void refresh() throws IOException {
        lookedAt = System.nanoTime();
        try {
            BasicFileAttributes now = attributes();
            if (now.size() != seen.size()
                    || !now.lastModifiedTime().equals(seen.lastModifiedTime())
                    || !now.fileKey().equals(seen.fileKey())) {
                map = MapJournal.load(mapFile).map();
                seen = now;
            }
        } catch (NoSuchFileException beingReplaced) {
            // There again at the next look.
        }
    }

    private BasicFileAttributes attributes() throws IOException {
        return Files.readAttributes(mapFile, BasicFileAttributes.class);
    }

    @Override
    public List<Range> knownUnread(Range range) {
        if (System.nanoTime() - lookedAt > LOOK_NANOS) {
            try {
                refresh();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return RangeSet.of(map.runs(range).stream()
                        .filter(r -> r.state() != BlockState.READ)
                        .map(ReadMap.Run::range)
                        .toList())
                .ranges();
    }

    @Override
    public String description() {
        return path.toString();
    }

    @Override
    public long size() {
        return header.size();
    }

    @Override
    public int sectorSize() {
        return header.sectorSize();
    }

    @Override
    public Identity identity() {
        return header.identity();
    }

    @Override
    public List<Path> filesBehind() {
        return List.of(path);
    }

    @Override
    public void close() throws IOException {
        if (image != null) {
            image.close();
        }
    }
}
