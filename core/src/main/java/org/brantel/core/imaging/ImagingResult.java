package org.brantel.core.imaging;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a run of imaging came to.
 *
 * @param size        bytes of the medium
 * @param readBytes   bytes in the image
 * @param failedBytes bytes that are not, whatever the reason
 * @param passes      passes that did something, in order
 * @param sha256      of the whole image with zeros where nothing was read; null while unfinished
 * @param finished    false when it was told to stop, or a limit was reached
 * @param reached     the stop limit that ended it, or null
 */
public record ImagingResult(
        long size,
        long readBytes,
        long failedBytes,
        List<String> passes,
        double seconds,
        @Nullable String sha256,
        boolean finished,
        @Nullable LimitReached reached) {

    /** The same of a run that is not at its end, although all was read. */
    public ImagingResult unfinished() {
        return new ImagingResult(size, readBytes, failedBytes, passes, seconds, null, false, reached);
    }
}
