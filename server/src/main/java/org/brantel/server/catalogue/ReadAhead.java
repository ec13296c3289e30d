package org.brantel.server.catalogue;

import java.io.Closeable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CancellationException;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.jspecify.annotations.Nullable;

/** Reads a session's findings by a thread of its own while those before them are brought in; a few lots ahead. */
final class ReadAhead implements Closeable {

    private static final int LOTS = 2;

    /** A lot, the last one empty; or what ended the reading. */
    private record Lot(List<Finding> findings, @Nullable IOException trouble) {}

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
            hand(new Lot(List.of(), handAll(file, many)));
        } catch (CancellationException e) {
            // Nobody waits for more.
        }
    }

    /** @return what ended it before the end; null at the end */
    private @Nullable IOException handAll(Path file, int many) {
        List<Finding> lot = new ArrayList<>(many);
        try {
            FindingsFile.read(file, f -> {
                lot.add(Storable.of(f));
                if (lot.size() == many) {
                    hand(new Lot(List.copyOf(lot), null));
                    lot.clear();
                }
            });
            if (!lot.isEmpty()) {
                hand(new Lot(List.copyOf(lot), null));
            }
            return null;
        } catch (IOException e) {
            return e;
        } catch (UncheckedIOException e) {
            return e.getCause();
        } catch (CancellationException e) {
            throw e;
        } catch (RuntimeException | Error e) {
            // Whoever waits for the next lot must not wait for ever.
            return new IOException("The findings of " + file + " could not be read: " + e + ".", e);
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
        Lot lot;
        try {
            lot = lots.take();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("bringing findings in was interrupted", e);
        }
        if (lot.trouble() != null) {
            throw lot.trouble();
        }
        return lot.findings();
    }

    @Override
    public void close() {
        reader.interrupt();
    }
}
