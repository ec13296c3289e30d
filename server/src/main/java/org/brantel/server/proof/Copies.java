package org.brantel.server.proof;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.brantel.core.bytes.Range;
import org.brantel.core.finding.Finding;
import org.brantel.core.hash.Hashes;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.springframework.stereotype.Component;

/**
 * Findings as files of their own, for tools that have to seek in them. The last few are kept while people look at them;
 * what another run of the server left is removed.
 */
@Component
class Copies {

    static final long MOST = 2L << 30;
    private static final int KEPT = 6;
    /** So much of the disk stays free. */
    private static final long RESERVE = 1L << 30;

    /** @param unread stretches of it that were never read, and are zeros in the file */
    record Copy(Path file, long length, List<Range> unread) {}

    private final FoundBytes bytes;
    private final Path store;
    private final Map<String, Copy> kept = new LinkedHashMap<>(KEPT, 0.75f, true);
    private boolean cleared;

    Copies(FoundBytes bytes, Settings settings) {
        this.bytes = bytes;
        this.store = settings.labStore().resolve("proof");
    }

    /** What a finding's bytes are known by: the same bytes of the same image have the same name. */
    static String name(Catalogues.Selected line) {
        Finding f = line.finding();
        byte[] what = (line.imagingId() + " " + f.size() + " " + f.encoding() + " " + f.extents())
                .getBytes(StandardCharsets.UTF_8);
        return Hashes.sha256Hex(what, 0, what.length);
    }

    /** @throws Refusal when it is too large, or the disk too full */
    synchronized Copy of(Catalogues.Selected line) throws IOException {
        clear();
        String name = name(line);
        Copy known = kept.get(name);
        if (known != null && Files.exists(known.file())) {
            return known;
        }
        long length = FoundBytes.length(line.finding());
        if (length > MOST) {
            throw Refusal.missing("It is larger than what is played here (2 GiB); recover it to play it.");
        }
        Files.createDirectories(store);
        if (Files.getFileStore(store).getUsableSpace() < length + RESERVE) {
            throw Refusal.conflict("The lab's store has too little room to play it; make room there first.");
        }
        Path file = store.resolve(name);
        Path part = Files.createTempFile(store, "copying", ".part");
        try {
            List<Range> unread = bytes.copy(line, part);
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            Copy copy = new Copy(file, length, unread);
            kept.put(name, copy);
            letGo();
            return copy;
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private void letGo() throws IOException {
        while (kept.size() > KEPT) {
            Map.Entry<String, Copy> oldest = kept.entrySet().iterator().next();
            kept.remove(oldest.getKey());
            Files.deleteIfExists(oldest.getValue().file());
        }
    }

    private void clear() throws IOException {
        if (cleared || !Files.isDirectory(store)) {
            cleared = true;
            return;
        }
        try (Stream<Path> left = Files.list(store)) {
            for (Path file : left.toList()) {
                Files.delete(file);
            }
        }
        cleared = true;
    }
}
