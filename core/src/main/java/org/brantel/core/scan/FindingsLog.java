package org.brantel.core.scan;

import java.io.Closeable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.jspecify.annotations.Nullable;

/**
 * The findings of a running session: numbered and counted as they come, written by a thread of its own, in batches. The
 * scan does not wait for the writing until a few batches are under way.
 */
final class FindingsLog implements Closeable {

    private static final int BATCH = 256;
    private static final int BATCHES = 16;
    private static final List<Finding> END = new ArrayList<>();

    private final Path file;
    private final BlockingQueue<List<Finding>> batches = new ArrayBlockingQueue<>(BATCHES);
    private final Thread writer;
    private final Map<String, Long> kinds = new TreeMap<>();
    private final Map<String, Long> origins = new TreeMap<>();
    private final Map<String, Long> prognoses = new TreeMap<>();
    private final Map<Integer, VolumeCounts> volumes = new TreeMap<>();
    private final Map<Integer, List<String>> problems = new HashMap<>();
    private final BitSet joined = new BitSet();
    private List<Finding> batch = new ArrayList<>(BATCH);
    private @Nullable volatile IOException failed;
    private int count;

    FindingsLog(Path file) throws IOException {
        this.file = file;
        FindingsFile.Writer out = new FindingsFile.Writer(file);
        writer = new Thread(() -> write(out), "findings");
        writer.setDaemon(true);
        writer.start();
    }

    private void write(FindingsFile.Writer out) {
        try (out) {
            for (List<Finding> next = batches.take(); next != END; next = batches.take()) {
                for (Finding f : next) {
                    out.write(f);
                }
            }
        } catch (UncheckedIOException e) {
            fail(e.getCause());
        } catch (IOException e) {
            fail(e);
        } catch (InterruptedException e) {
            fail(new IOException("writing the findings was interrupted", e));
        }
    }

    /** Says why, and makes room for what is still being handed over. */
    private void fail(@Nullable IOException why) {
        failed = why;
        batches.clear();
    }

    /**
     * @return the finding with its number
     * @throws UncheckedIOException when the disk did not take what was written before
     */
    Finding add(Finding finding) {
        Finding numbered = finding.withId(++count);
        kinds.merge(numbered.kind(), 1L, Long::sum);
        origins.merge(numbered.origin().word(), 1L, Long::sum);
        prognoses.merge(numbered.prognosis().word(), 1L, Long::sum);
        if (numbered.volume() != null) {
            volumes.put(
                    numbered.volume(),
                    volumes.computeIfAbsent(numbered.volume(), VolumeCounts::none)
                            .with(numbered));
        }
        batch.add(numbered);
        if (batch.size() == BATCH) {
            hand(batch);
            batch = new ArrayList<>(BATCH);
        }
        return numbered;
    }

    private void hand(List<Finding> findings) {
        try {
            boolean handed = false;
            while (failed == null && !handed) {
                handed = batches.offer(findings, 100, TimeUnit.MILLISECONDS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new UncheckedIOException(new IOException("the scan was interrupted", e));
        }
        if (failed != null) {
            throw new UncheckedIOException(failed);
        }
    }

    /** Carving found the same bytes; noted in the file when it is closed. */
    void join(int id) {
        joined.set(id);
    }

    int count() {
        return count;
    }

    int joined() {
        return joined.cardinality();
    }

    Map<String, Long> kinds() {
        return kinds;
    }

    Map<String, Long> origins() {
        return origins;
    }

    /** What was malformed in a volume, and where. */
    void problem(int volume, String what) {
        problems.computeIfAbsent(volume, v -> new ArrayList<>()).add(what);
        volumes.computeIfAbsent(volume, VolumeCounts::none);
    }

    List<VolumeCounts> volumes() {
        return volumes.values().stream()
                .map(v -> v.with(problems.getOrDefault(v.volume(), List.of())))
                .toList();
    }

    Map<String, Long> prognoses() {
        return prognoses;
    }

    @Override
    public void close() throws IOException {
        try {
            if (failed == null) {
                hand(batch);
                hand(END);
            }
            writer.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
        if (failed != null) {
            throw failed;
        }
        if (!joined.isEmpty()) {
            rewrite();
        }
    }

    private void rewrite() throws IOException {
        Path rewritten = file.resolveSibling(file.getFileName() + ".part");
        try (FindingsFile.Writer out = new FindingsFile.Writer(rewritten)) {
            FindingsFile.read(file, f -> out.write(joined.get((int) f.id()) ? f.joinedByCarving() : f));
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
        Files.move(rewritten, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    }
}
