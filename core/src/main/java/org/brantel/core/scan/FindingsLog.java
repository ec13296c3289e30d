package org.brantel.core.scan;

import java.io.Closeable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.BitSet;
import java.util.Map;
import java.util.TreeMap;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;

/** The findings of a running session: numbered and written as they come, counted by kind, origin and prognosis. */
final class FindingsLog implements Closeable {

    private final Path file;
    private final FindingsFile.Writer writer;
    private final Map<String, Long> kinds = new TreeMap<>();
    private final Map<String, Long> origins = new TreeMap<>();
    private final Map<String, Long> prognoses = new TreeMap<>();
    private final BitSet joined = new BitSet();
    private int count;

    FindingsLog(Path file) throws IOException {
        this.file = file;
        writer = new FindingsFile.Writer(file);
    }

    /** @return the finding with its number */
    Finding add(Finding finding) {
        Finding numbered = finding.withId(++count);
        kinds.merge(numbered.kind(), 1L, Long::sum);
        origins.merge(numbered.origin().word(), 1L, Long::sum);
        prognoses.merge(numbered.prognosis().word(), 1L, Long::sum);
        try {
            writer.write(numbered);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return numbered;
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

    Map<String, Long> prognoses() {
        return prognoses;
    }

    @Override
    public void close() throws IOException {
        writer.close();
        if (joined.isEmpty()) {
            return;
        }
        Path rewritten = file.resolveSibling(file.getFileName() + ".part");
        try (FindingsFile.Writer out = new FindingsFile.Writer(rewritten)) {
            FindingsFile.read(file, f -> {
                try {
                    out.write(joined.get((int) f.id()) ? f.joinedByCarving() : f);
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            });
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
        Files.move(rewritten, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    }
}
