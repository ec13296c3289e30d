package org.brantel.core.source.simulated;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.locks.LockSupport;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.files.Unpacked;
import org.brantel.core.health.HealthReading;
import org.brantel.core.json.Json;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.WriteBlock;
import org.brantel.core.source.device.FileSource;
import org.jspecify.annotations.Nullable;

/** A stand-in for a real device: a backing image that shows the faults of its plan. */
public final class SimulatedSource implements Source {

    private final Path file;
    private final String name;
    private final FileSource image;
    private final FaultPlan plan;
    private final Physics physics;
    private final @Nullable SimulatedHealth health;
    private long idleSince = System.nanoTime();

    private SimulatedSource(Path file, FileSource image, FaultPlan plan) {
        this.file = file;
        name = "sim:" + file;
        this.image = image;
        this.plan = plan;
        physics = new Physics(plan, image.size());
        health = plan.health() == null ? null : new SimulatedHealth(plan.health());
    }

    /** @throws SourceException when the plan or its backing image is missing or malformed */
    public static SimulatedSource open(Path file) throws IOException {
        FaultPlan plan = plan(file);
        Path backing = file.toAbsolutePath().resolveSibling(plan.backing());
        return new SimulatedSource(file, FileSource.open(Unpacked.of(backing), WriteBlock.REQUIRED), plan);
    }

    /**
     * Seconds after which a device that dropped out is there again by itself; 0 when somebody has to attach it anew.
     */
    public static double backSeconds(Path file) throws IOException {
        FaultPlan.DropOut dropOut = plan(file).habits().dropOut();
        return dropOut == null ? 0 : dropOut.backSeconds();
    }

    private static FaultPlan plan(Path file) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new SourceException("There is no simulated device at " + file + ".");
        }
        FaultPlan plan = Json.read(file, FaultPlan.class, "simulated device");
        if (!FaultPlan.FORMAT.equals(plan.edition().format()) || plan.edition().version() != 1) {
            throw new SourceException(file + " is not a simulated device, version 1 (format '"
                    + plan.edition().format() + "', version " + plan.edition().version() + ").");
        }
        if (plan.backing() == null || Integer.bitCount(plan.sectorSize()) != 1) {
            throw new SourceException(
                    file + " names no backing image or has a sector size of " + plan.sectorSize() + ".");
        }
        try {
            plan.habits().habit();
        } catch (IllegalArgumentException e) {
            throw new SourceException(
                    file + " says '" + plan.habits().onFault() + "' for onFault; it is goes-on, stops or fails-whole.",
                    e);
        }
        return plan;
    }

    @Override
    public ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        Source.checkBounds(this, offset, buffer, at, length);
        if (physics.isGone()) {
            throw new SourceException.Gone(label(), "the simulated device dropped out after " + physics.goneAfter());
        }
        long start = System.nanoTime();
        Range wanted = new Range(offset, length);
        ReadOutcome outcome = physics.request(wanted);
        image.read(offset, buffer, at, length);
        physics.trimmedWithin(wanted).forEach(r -> blank(r, offset, buffer, at));
        outcome.failed().forEach(r -> blank(r, offset, buffer, at));
        long left = outcome.nanos() - (System.nanoTime() - start);
        if (left > 0) {
            LockSupport.parkNanos(left);
        }
        long end = System.nanoTime();
        if (health != null) {
            health.rested(start - idleSince);
            health.worked(end - start);
            idleSince = end;
        }
        return new ReadOutcome(outcome.failed(), outcome.named(), end - start);
    }

    private static void blank(Range range, long offset, byte[] buffer, int at) {
        int from = at + (int) (range.offset() - offset);
        Arrays.fill(buffer, from, from + (int) range.length(), (byte) 0);
    }

    @Override
    public Optional<HealthReading> health() {
        if (health == null || physics.isGone()) {
            return Optional.empty();
        }
        health.rested(System.nanoTime() - idleSince);
        idleSince = System.nanoTime();
        return Optional.of(health.reading(physics.faultsEver()));
    }

    @Override
    public String lockKey() throws IOException {
        return "simulated " + file.toRealPath();
    }

    private String label() {
        String label = (identity().make() + " " + identity().model()).strip();
        return label.isEmpty() ? name : label;
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
        return new Identity(
                plan.identity().make(), plan.identity().model(), plan.identity().serial(), image.size());
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
