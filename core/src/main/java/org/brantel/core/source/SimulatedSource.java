package org.brantel.core.source;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.locks.LockSupport;
import java.util.zip.GZIPInputStream;
import org.brantel.core.json.Json;

/** A stand-in for a real device: a backing image that shows the faults of its plan. */
public final class SimulatedSource implements Source {

    private final String name;
    private final FileSource image;
    private final FaultPlan plan;
    private final RangeSet dead = new RangeSet();
    private final RangeSet weak = new RangeSet();
    private final Map<Long, Integer> triesBySector = new HashMap<>();
    private long reads;

    private SimulatedSource(String name, FileSource image, FaultPlan plan) {
        this.name = name;
        this.image = image;
        this.plan = plan;
        plan.dead().forEach(d -> dead.add(new Range(d.offset(), d.length())));
        plan.weak().forEach(w -> weak.add(new Range(w.offset(), w.length())));
    }

    /** @throws SourceException when the plan or its backing image is missing or malformed */
    public static SimulatedSource open(Path file) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new SourceException("There is no simulated device at " + file + ".");
        }
        FaultPlan plan = Json.read(file, FaultPlan.class, "simulated device");
        if (!FaultPlan.FORMAT.equals(plan.format()) || plan.version() != 1) {
            throw new SourceException(file + " is not a simulated device, version 1 (format '" + plan.format()
                    + "', version " + plan.version() + ").");
        }
        if (plan.backing() == null || Integer.bitCount(plan.sectorSize()) != 1) {
            throw new SourceException(file + " names no backing image or has a sector size of " + plan.sectorSize() + ".");
        }
        Path backing = file.toAbsolutePath().resolveSibling(plan.backing());
        return new SimulatedSource("sim:" + file, FileSource.open(unpacked(backing), true), plan);
    }

    /** Demo devices ship compressed; the raw image is made once, beside the packed one. */
    private static Path unpacked(Path backing) throws IOException {
        if (!backing.toString().endsWith(".gz")) {
            return backing;
        }
        if (!Files.exists(backing)) {
            throw new SourceException("The backing image " + backing + " is missing.");
        }
        String full = backing.getFileName().toString();
        Path raw = backing.resolveSibling(full.substring(0, full.length() - 3));
        if (!Files.exists(raw)) {
            Path part = Files.createTempFile(raw.getParent(), full, ".part");
            try (InputStream in = new GZIPInputStream(Files.newInputStream(backing))) {
                Files.copy(in, part, StandardCopyOption.REPLACE_EXISTING);
                Files.move(part, raw, StandardCopyOption.ATOMIC_MOVE);
            } finally {
                Files.deleteIfExists(part);
            }
        }
        return raw;
    }

    @Override
    public ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        Source.checkBounds(this, offset, buffer, at, length);
        if (plan.dropOut() != null && reads >= plan.dropOut().afterReads()) {
            throw new SourceException.Gone(label(), "the simulated device dropped out after " + reads + " reads");
        }
        reads++;
        long start = System.nanoTime();
        Range wanted = new Range(offset, length);
        RangeSet failed = new RangeSet();
        dead.within(wanted).forEach(r -> failed.add(outToSectors(r, wanted)));
        weak.within(wanted).forEach(r -> failWeak(outToSectors(r, wanted), failed));
        dawdle(wanted);
        image.read(offset, buffer, at, length);
        for (Range bad : failed.ranges()) {
            int from = at + (int) (bad.offset() - offset);
            Arrays.fill(buffer, from, from + (int) bad.length(), (byte) 0);
        }
        return new ReadOutcome(failed.ranges(), System.nanoTime() - start);
    }

    private String label() {
        String label = (identity().make() + " " + identity().model()).strip();
        return label.isEmpty() ? name : label;
    }

    private Range outToSectors(Range range, Range within) {
        long s = sectorSize();
        long from = range.offset() / s * s;
        long to = (range.end() + s - 1) / s * s;
        return new Range(from, to - from).intersection(within);
    }

    private void failWeak(Range range, RangeSet failed) {
        for (long pos = range.offset(); pos < range.end(); pos += sectorSize()) {
            long sector = pos / sectorSize();
            int tries = triesBySector.merge(sector, 1, Integer::sum);
            for (FaultPlan.Weak w : plan.weak()) {
                if (pos < w.offset() + w.length() && pos + sectorSize() > w.offset() && tries <= w.tries()) {
                    failed.add(new Range(pos, Math.min(sectorSize(), range.end() - pos)));
                }
            }
        }
    }

    private void dawdle(Range wanted) {
        long micros = 0;
        for (FaultPlan.Slow zone : plan.slow()) {
            long bytes = new Range(zone.offset(), zone.length()).intersection(wanted).length();
            micros += (bytes + sectorSize() - 1) / sectorSize() * zone.microsPerSector();
        }
        if (micros > 0) {
            LockSupport.parkNanos(micros * 1000);
        }
    }

    @Override
    public String description() {
        return name;
    }

    @Override
    public long size() {
        return image.size();
    }

    @Override
    public int sectorSize() {
        return plan.sectorSize();
    }

    @Override
    public Identity identity() {
        return new Identity(plan.make(), plan.model(), plan.serial(), image.size());
    }

    @Override
    public List<Path> filesBehind() {
        return image.filesBehind();
    }

    @Override
    public void close() throws IOException {
        image.close();
    }
}
