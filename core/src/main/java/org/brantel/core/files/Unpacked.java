package org.brantel.core.files;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.zip.GZIPInputStream;

/** A gzip file unpacked beside itself, once. */
public final class Unpacked {

    private static final String ENDING = ".gz";

    private Unpacked() {}

    /**
     * @param packed or not: what does not end in {@code .gz} is as it is
     * @throws IOException when it is not there or does not unpack; nothing is left behind then
     */
    public static Path of(Path packed) throws IOException {
        String full = packed.getFileName().toString();
        if (!full.endsWith(ENDING)) {
            return packed;
        }
        if (!Files.exists(packed)) {
            throw new IOException("The backing image " + packed + " is missing.");
        }
        Path raw = packed.resolveSibling(full.substring(0, full.length() - ENDING.length()));
        if (!Files.exists(raw)) {
            Path part = Files.createTempFile(raw.getParent(), full, ".part");
            try (InputStream in = new GZIPInputStream(Files.newInputStream(packed))) {
                Files.copy(in, part, StandardCopyOption.REPLACE_EXISTING);
                Files.move(part, raw, StandardCopyOption.ATOMIC_MOVE);
            } finally {
                Files.deleteIfExists(part);
            }
        }
        return raw;
    }
}
