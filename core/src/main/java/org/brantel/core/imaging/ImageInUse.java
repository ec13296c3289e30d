package org.brantel.core.imaging;

import java.io.IOException;
import java.nio.file.Path;

/** Another session, in this process or another, is writing the image. */
public final class ImageInUse extends IOException {

    private static final long serialVersionUID = 1L;

    ImageInUse(Path image) {
        super(image.getFileName()
                + " is being written by another imaging session; wait for it, or choose another name.");
    }
}
