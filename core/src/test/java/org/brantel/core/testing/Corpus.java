package org.brantel.core.testing;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.zip.GZIPInputStream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Real disk images with their ground truth; unpacked from the test resources. */
public final class Corpus {

    /**
     * A file as the truth knows it.
     *
     * @param mtime ISO 8601, or null
     */
    public record TrueFile(
            String path,
            String state,
            long size,
            String sha256,
            String kind,
            String mtime,
            String structure,
            String carve,
            String difficulty,
            long firstByte) {}

    private Corpus() {}

    /**
     * Unpacks an image into a folder.
     *
     * @param name like {@code d01-fat16}
     */
    public static Path image(String name, Path folder) {
        Path image = folder.resolve(name + ".img");
        try (InputStream in = new GZIPInputStream(resource(name + ".img.gz"))) {
            Files.copy(in, image, StandardCopyOption.REPLACE_EXISTING);
            return image;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Noise that holds nothing; too large to ship, so it is made from a seed. */
    public static Path noise(Path folder, int bytes) throws IOException {
        byte[] noise = new byte[bytes];
        new Random(23).nextBytes(noise);
        return Files.write(folder.resolve("noise.img"), noise);
    }

    public static List<TrueFile> files(String name) {
        List<TrueFile> files = new ArrayList<>();
        for (JsonNode f : truth(name).get("files")) {
            JsonNode extents = f.get("extents");
            files.add(new TrueFile(
                    text(f, "path"),
                    text(f, "state"),
                    f.get("size").asLong(),
                    text(f, "sha256"),
                    text(f, "kind"),
                    text(f, "mtime"),
                    text(f.get("expect"), "structure"),
                    text(f.get("expect"), "carve"),
                    text(f, "carve_difficulty"),
                    extents == null || extents.isEmpty()
                            ? -1
                            : extents.get(0).get(0).asLong()));
        }
        return files;
    }

    public static JsonNode truth(String name) {
        try (InputStream in = resource(name + ".truth.json")) {
            return JsonMapper.shared().readTree(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String text(JsonNode node, String field) {
        JsonNode value = node == null ? null : node.get(field);
        return value == null || value.isNull() ? null : value.asString();
    }

    private static InputStream resource(String file) throws IOException {
        InputStream in = Corpus.class.getResourceAsStream("/corpus/" + file);
        if (in == null) {
            throw new IOException("there is no test resource corpus/" + file);
        }
        return in;
    }
}
