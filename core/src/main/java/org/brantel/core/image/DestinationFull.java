package org.brantel.core.image;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;

/** The disk that is written to has no room left; the message is one sentence for a person. */
public final class DestinationFull extends IOException {

    private static final long serialVersionUID = 1L;

    public DestinationFull(String message, @Nullable IOException cause) {
        super(message, cause);
    }

    /**
     * Whether a write failed for want of room. Asked of the disk, not read from the message alone, which differs by
     * system and language.
     *
     * @param folder on the disk that was written to
     * @param needed bytes that the write would have taken
     */
    public static boolean caused(IOException failure, @Nullable Path folder, long needed) throws IOException {
        String message = String.valueOf(failure.getMessage());
        return message.contains("No space left on device")
                || message.contains("Disk quota exceeded")
                || Files.getFileStore(folder).getUsableSpace() < needed;
    }
}
