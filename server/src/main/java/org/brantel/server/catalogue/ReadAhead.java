package org.brantel.server.catalogue;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CancellationException;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;

/** Reads a session's findings by a thread of its own while those before them are brought in; a few lots ahead. */
final class ReadAhead implements Closeable {

    private static final int LOTS = 2;

    /** A lot, its last one empty; or what ended the reading. */
    private record Lot(List<Finding> findings, Optional<Exception> trouble) {}

    private final BlockingQueue<Lot> lots = new ArrayBlockingQueue<>(LOTS);
    private final Thread reader;

    /** @param many findings of a lot */
    ReadAhead(Path file, int many) {
        reader = new Thread(() -> read(file, many), "findings-reader");
        reader.setDaemon(true);
        reader.start();
    }

    private void read(Path file, int many) {
        try {
            List<Finding> lot = new ArrayList<>(many);
            FindingsFile.read(file, f -> {
                lot.add(Storable.of(f));
                if (lot.size() == many) {
                    hand(new Lot(List.copyOf(lot), Optional.empty()));
                    lot.clear();
                }
            });
            if (!lot.isEmpty()) {
                hand(new Lot(lot, Optional.empty()));
            }
            hand(new Lot(List.of(), Optional.empty()));
        } catch (CancellationException e) {
            // Nobody waits for more.
        } catch (IOException | RuntimeException e) {
            hand(new Lot(List.of(), Optional.of(e)));
        }
    }

    private void hand(Lot lot) {
        try {
            lots.put(lot);
        } catch (InterruptedException e) {
            throw new CancellationException();
        }
    }

    /**
     * @return the next lot, an empty one after the last
     * @throws IOException when the file cannot be read
     */
    List<Finding> next() throws IOException {
        try {
            Lot lot = lots.take();
            Optional<Exception> trouble = lot.trouble();
            if (trouble.isPresent()) {
                throw new IOException(trouble.get().getMessage(), trouble.get());
            }
            return lot.findings();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("bringing findings in was interrupted", e);
        }
    }

    @Override
    public void close() {
        reader.interrupt();
    }
}
