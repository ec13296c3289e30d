package org.brantel.server.traffic;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.brantel.server.platform.Refusal;

/** Files of any size that staff bring in. */
public final class Incoming {

    private Incoming() {}

    /** Bytes that may come into a folder: half of what is free, since the lab's own work goes on. */
    public static long room(Path folder) throws IOException {
        return Files.getFileStore(folder).getUsableSpace() / 2;
    }

    /**
     * Writes what comes into a file.
     *
     * @param most bytes
     * @return bytes written
     * @throws Refusal where more comes
     */
    public static long keep(InputStream body, Path file, long most) throws IOException {
        long bytes = 0;
        byte[] buffer = new byte[256 << 10];
        try (OutputStream out = Files.newOutputStream(file)) {
            for (int n = body.read(buffer); n >= 0; n = body.read(buffer)) {
                bytes += n;
                if (bytes > most) {
                    throw Refusal.tooLarge("The file is larger than there is room for; make room, then send it again.");
                }
                out.write(buffer, 0, n);
            }
        }
        return bytes;
    }
}
