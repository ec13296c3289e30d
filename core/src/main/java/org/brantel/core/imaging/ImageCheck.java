package org.brantel.core.imaging;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.json.Json;
import org.brantel.core.source.SourceException;
import org.jspecify.annotations.Nullable;

/**
 * An image as it lies there, against the hashes that were made when it was read.
 *
 * @param damaged  chunks that are not what they were, joined where they touch
 * @param isWhole  whether the hash of the whole is what it was
 */
public record ImageCheck(long size, String sha256, List<Range> damaged, boolean isWhole) {

    /**
     * @return null when told to stop
     * @throws SourceException when the image has no hashes, or not their size
     */
    public static @Nullable ImageCheck of(Path image, ImageHashes.Progress progress, BooleanSupplier stop)
            throws IOException {
        Path beside = ImageHashes.beside(image);
        if (!Files.exists(beside)) {
            throw new SourceException(image + " has no hashes beside it (" + beside.getFileName()
                    + "); they are made when imaging has finished.");
        }
        ImageHashes then = Json.read(beside, ImageHashes.class, "list of hashes");
        if (!ImageHashes.FORMAT.equals(then.format())
                || then.version() != 1
                || then.chunkBytes() != ImageHashes.CHUNK
                || then.chunks() == null) {
            throw new SourceException(beside + " is not a list of image hashes, version 1.");
        }
        if (Files.size(image) != then.size()) {
            throw new SourceException(
                    image + " has " + Files.size(image) + " bytes; when it was hashed it had " + then.size() + ".");
        }
        ImageHashes now = ImageHashes.of(image, then.size(), progress, stop);
        if (now == null) {
            return null;
        }
        RangeSet damaged = new RangeSet();
        IntStream.range(0, now.chunks().size())
                .filter(i -> i >= then.chunks().size()
                        || !now.chunks().get(i).equals(then.chunks().get(i)))
                .mapToObj(i -> new Range(
                        i * then.chunkBytes(), Math.min(then.chunkBytes(), then.size() - i * then.chunkBytes())))
                .forEach(damaged::add);
        return new ImageCheck(
                then.size(), now.sha256(), damaged.ranges(), now.sha256().equals(then.sha256()));
    }

    public boolean isSound() {
        return isWhole && damaged.isEmpty();
    }
}
