package org.brantel.server.platform;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/** Files that lie under the hash of their bytes, in folders by its first two digits. */
public final class HashedFiles {

    private final Path folder;
    private final String ending;

    /** @param ending of their names, like {@code .jpg} */
    public HashedFiles(Path folder, String ending) {
        this.folder = folder;
        this.ending = ending;
    }

    /** Whole or not at all: a file under its hash is what its hash says. */
    public void keep(String sha256, byte[] bytes) throws IOException {
        Path file = file(sha256);
        Files.createDirectories(file.getParent());
        Path part = Files.createTempFile(file.getParent(), "kept", ".part");
        try {
            Files.write(part, bytes);
            Files.move(part, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    public byte[] bytes(String sha256) throws IOException {
        return Files.readAllBytes(file(sha256));
    }

    private Path file(String sha256) {
        return folder.resolve(sha256.substring(0, 2)).resolve(sha256 + ending);
    }
}
