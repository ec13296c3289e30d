package org.brantel.server.proof;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import java.util.stream.Stream;
import org.brantel.core.bytes.Range;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.jspecify.annotations.Nullable;
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
    /** One at a time copies the same content; others copy others meanwhile. */
    private final List<Lock> turns =
            Stream.generate(() -> (Lock) new ReentrantLock()).limit(16).toList();

    private boolean cleared;

    Copies(FoundBytes bytes, Settings settings) {
        this.bytes = bytes;
        this.store = settings.labStore().resolve("proof");
    }

    /** @throws Refusal when it is too large, or the disk too full */
    Copy of(Catalogues.Selected line) throws IOException {
        String name = line.bytesName();
        Lock turn = turns.get(Math.floorMod(name.hashCode(), turns.size()));
        turn.lock();
        try {
            Copy known = known(name);
            return known == null ? keep(name, copied(line, store.resolve(name))) : known;
        } finally {
            turn.unlock();
        }
    }

    private synchronized @Nullable Copy known(String name) throws IOException {
        clear();
        Copy known = kept.get(name);
        return known != null && Files.exists(known.file()) ? known : null;
    }

    private Copy copied(Catalogues.Selected line, Path file) throws IOException {
        long length = FoundBytes.length(line.finding());
        if (length > MOST) {
            throw Refusal.missing("It is larger than what is played here (2 GiB); recover it to play it.");
        }
        Files.createDirectories(store);
        if (Files.getFileStore(store).getUsableSpace() < length + RESERVE) {
            throw Refusal.conflict("The lab's store has too little room to play it; make room there first.");
        }
        Path part = Files.createTempFile(store, "copying", ".part");
        try {
            List<Range> unread = bytes.copy(line, part);
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
            return new Copy(file, length, unread);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private synchronized Copy keep(String name, Copy copy) throws IOException {
        kept.put(name, copy);
        while (kept.size() > KEPT) {
            Map.Entry<String, Copy> oldest = kept.entrySet().iterator().next();
            kept.remove(oldest.getKey());
            Files.deleteIfExists(oldest.getValue().file());
        }
        return copy;
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
