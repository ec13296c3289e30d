package org.brantel.core.imaging;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.function.BooleanSupplier;
import org.brantel.core.hash.Hashes;
import org.brantel.core.json.Json;
import org.jspecify.annotations.Nullable;

/**
 * SHA-256 of an image: whole, and of each chunk, so that damage to a stored image can be placed. Kept as JSON beside
 * the image ({@code IMAGE.sha256.json}, docs/formats.md).
 *
 * @param chunkBytes length of each chunk but the last
 * @param chunks     hex digests in order
 */
public record ImageHashes(String format, int version, long size, String sha256, long chunkBytes, List<String> chunks) {

    public static final String FORMAT = "brantel-image-hashes";
    static final int CHUNK = 4 << 20;

    /** Told how far the hash is. */
    public interface Progress {
        void at(long bytes, long size);
    }

    public static Path beside(Path image) {
        return image.resolveSibling(image.getFileName() + ".sha256.json");
    }

    /**
     * The two hashes run side by side: SHA-256, not the disk, is what takes the time.
     * @return null when told to stop
     */
    public static @Nullable ImageHashes of(Path image, long size, Progress progress, BooleanSupplier stop)
            throws IOException {
        MessageDigest whole = Hashes.sha256();
        List<String> chunks = new ArrayList<>();
        byte[] chunk = new byte[CHUNK];
        long done = 0;
        try (InputStream in = Files.newInputStream(image)) {
            while (true) {
                if (stop.getAsBoolean()) {
                    return null;
                }
                int n = in.readNBytes(chunk, 0, CHUNK);
                if (n == 0) {
                    break;
                }
                CompletableFuture<String> ofChunk = CompletableFuture.supplyAsync(() -> Hashes.sha256Hex(chunk, 0, n));
                whole.update(chunk, 0, n);
                chunks.add(ofChunk.join());
                done += n;
                progress.at(done, size);
            }
        }
        if (done != size) {
            throw new IOException(image + " has " + done + " bytes, not the " + size + " of its medium.");
        }
        return new ImageHashes(FORMAT, 1, size, Hashes.hex(whole.digest()), CHUNK, chunks);
    }

    void write(Path file) throws IOException {
        Files.writeString(file, Json.writePretty(this));
    }
}
