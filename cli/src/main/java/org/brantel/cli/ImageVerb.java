package org.brantel.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.brantel.core.copying.StraightCopy;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.MapJournal;
import org.brantel.core.image.ReadMap;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.imaging.Imager;
import org.brantel.core.imaging.ImagingListener;
import org.brantel.core.imaging.ImagingResult;
import org.brantel.core.imaging.Orders;
import org.brantel.core.imaging.Planner;
import org.brantel.core.imaging.SharedRate;
import org.brantel.core.imaging.StopLimits;
import org.brantel.core.json.Json;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.core.source.WriteBlock;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "image",
        mixinStandardHelpOptions = true,
        description = "Reads SOURCE into an image; goes on where its map ends.")
final class ImageVerb implements Callable<Integer> {

    private record Summary(
            long size,
            long readBytes,
            long failedBytes,
            List<String> passes,
            double seconds,
            @Nullable String sha256) {}

    @Parameters(paramLabel = "SOURCE", description = "A path, nbd://HOST:PORT/NAME, or sim:FILE.json.")
    private String source;

    @Parameters(paramLabel = "DEST.img", description = "The image to write.")
    private Path image;

    @Mixin
    private ReleaseOptions release;

    @Option(names = "--profile", defaultValue = "healthy", description = "healthy, ageing, failing or last-chance.")
    private String profile;

    @Option(names = "--map", paramLabel = "FILE", description = "The map; DEST.img.map unless given.")
    private @Nullable Path map;

    @Option(names = "--write-block-decided", description = "A writable block device may be read all the same.")
    private boolean writeBlockDecided;

    @Option(names = "--stop-at-limits", description = "Stop, or rest, at the profile's limits; nobody is asked here.")
    private boolean stopAtLimits;

    @Option(names = "--rate", paramLabel = "MIB", description = "Read at most so many MiB a second.")
    private long mebibytes;

    @Option(
            names = "--files",
            description = "Copy only the files that its file systems list, and check them; stop at any sign of damage.")
    private boolean filesOnly;

    @Option(names = "--progress", description = "Show progress even when standard error is not a terminal.")
    private boolean progress;

    @Override
    public Integer call() throws Exception {
        release.check();
        CareProfile care = CareProfile.ofWord(profile);
        ProgressLine line = new ProgressLine(progress);
        ImagingListener listener = new ImagingListener() {
            @Override
            public void stepped(ReadMap m, Planner.Step step, long nanos) {
                line.show(step.pass().word(), m.bytes(BlockState.READ), m.size());
            }

            @Override
            public void hashing(long bytes, long size) {
                line.show("hashing", bytes, size);
            }
        };
        SharedRate pace = new SharedRate(() -> mebibytes * 1048576L);
        Orders orders = new Orders() {
            @Override
            public boolean stop() {
                return false;
            }

            @Override
            public Optional<StopLimits> limits() {
                return stopAtLimits ? Optional.empty() : Optional.of(StopLimits.NONE);
            }

            @Override
            public void pace(long bytes) throws IOException {
                pace.take(bytes, () -> false);
            }
        };
        try (Source opened = Sources.open(source, writeBlock())) {
            Imager imager = new Imager(opened, image, map == null ? MapJournal.beside(image) : map, care, listener);
            ImagingResult result = filesOnly ? copy(imager, orders) : imager.run(orders);
            line.done();
            if (result.reached() != null) {
                System.err.println("Stopped at a limit: " + result.reached().words()
                        + ". What was read is kept; the same command goes on.");
            }
            System.out.println(Json.write(new Summary(
                    result.size(),
                    result.readBytes(),
                    result.failedBytes(),
                    result.passes(),
                    result.seconds(),
                    result.sha256())));
            return (result.failedBytes() == 0 || filesOnly) && result.finished()
                    ? EngineCommand.DONE
                    : EngineCommand.DONE_WITH_NOTE;
        }
    }

    private ImagingResult copy(Imager imager, Orders orders) throws IOException {
        ImagingResult result = imager.keep(new StraightCopy((sum, inAll) -> {}), orders);
        if (result.finished()) {
            try (Source copy = Sources.open(image.toString())) {
                StraightCopy.Sum sum = StraightCopy.check(copy, files -> {}, () -> false);
                sum.leftOut().forEach(left -> System.err.println("Not copied: " + left));
                System.err.println(sum.files() + " files were copied and checked.");
            }
        }
        return result;
    }

    private WriteBlock writeBlock() {
        return writeBlockDecided ? new WriteBlock("--write-block-decided") : WriteBlock.REQUIRED;
    }
}
