package org.brantel.core.imaging;

import java.nio.file.Path;
import org.brantel.core.image.MapJournal;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;

/** A process of its own that images, to be killed. */
public final class ImagingChild {

    private ImagingChild() {}

    public static void main(String[] args) throws Exception {
        Path image = Path.of(args[1]);
        try (Source source = Sources.open(args[0])) {
            new Imager(source, image, MapJournal.beside(image), CareProfile.FAILING, new ImagingListener() {})
                    .run(() -> false);
        }
    }
}
