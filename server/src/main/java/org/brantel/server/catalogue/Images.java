package org.brantel.server.catalogue;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Files;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.server.bench.ImagingRecords;

/** The images that a merge reads: the session's, and those of lines that it meets. */
final class Images implements Closeable {

    private final ImagingRecords imaging;
    private final Map<Long, Source> open = new HashMap<>();

    Images(ImagingRecords imaging) {
        this.imaging = imaging;
    }

    Source of(Long imagingId) throws IOException {
        Source image = open.get(imagingId);
        if (image == null) {
            image = Sources.open(imaging.image(imagingId).file().toString());
            open.put(imagingId, image);
        }
        return image;
    }

    /** Empty for an image that was taken away since: nothing can be compared with what lay on it. */
    Optional<Source> ifThere(Long imagingId) throws IOException {
        return open.containsKey(imagingId)
                        || Files.exists(imaging.image(imagingId).file())
                ? Optional.of(of(imagingId))
                : Optional.empty();
    }

    @Override
    public void close() throws IOException {
        IOException trouble = null;
        for (Source image : open.values()) {
            try {
                image.close();
            } catch (IOException e) {
                trouble = e;
            }
        }
        if (trouble != null) {
            throw trouble;
        }
    }
}
