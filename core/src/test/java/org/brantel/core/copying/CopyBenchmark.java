package org.brantel.core.copying;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Arrays;
import java.util.Locale;
import org.brantel.core.image.MapJournal;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.imaging.Imager;
import org.brantel.core.imaging.ImagingListener;
import org.brantel.core.imaging.ImagingResult;
import org.brantel.core.opening.Sources;
import org.brantel.core.scan.Scan;
import org.brantel.core.scan.ScanListener;
import org.brantel.core.scan.ScanMethod;
import org.brantel.core.scan.ScanPlan;
import org.brantel.core.source.Source;

/** Times a straight copy of an image that is read like a device: copied, checked, and every file listed and hashed. */
final class CopyBenchmark {

    private static final int RUNS = 3;

    private CopyBenchmark() {}

    /** Prints the median of the seconds that it takes; its arguments are the image and a folder to write into. */
    public static void main(String[] arguments) throws IOException {
        double[] seconds = new double[RUNS];
        for (int i = 0; i < RUNS; i++) {
            Path folder = Files.createDirectory(Path.of(arguments[1]).resolve("run-" + i));
            long from = System.nanoTime();
            copy(arguments[0], folder);
            seconds[i] = (System.nanoTime() - from) / 1e9;
        }
        Arrays.sort(seconds);
        System.out.printf(Locale.ROOT, "%.2f%n", seconds[RUNS / 2]);
    }

    private static void copy(String medium, Path folder) throws IOException {
        Path image = folder.resolve("copy.img");
        try (Source source = Sources.open(medium)) {
            ImagingResult result = new Imager(
                            source, image, MapJournal.beside(image), CareProfile.HEALTHY, new ImagingListener() {})
                    .keep(new StraightCopy((sum, inAll) -> {}), () -> false);
            if (!result.finished()) {
                throw new IllegalStateException("The copy of " + medium + " did not finish.");
            }
        }
        try (Source copy = Sources.open(image.toString())) {
            StraightCopy.check(copy, files -> {}, () -> false);
        }
        try (Source copy = Sources.open(image.toString())) {
            ScanPlan plan = ScanPlan.of(ScanMethod.STRUCTURE).ofListed(true);
            new Scan(copy, plan, new ScanListener() {}, Clock.systemUTC()).run(folder.resolve("scan"), () -> false);
        }
    }
}
