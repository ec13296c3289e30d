package org.brantel.core.image;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.json.Json;

/**
 * What others need first of a device that is being read: a file {@code IMAGE.wanted} beside the image, JSON lines
 * {@code {"off":N,"len":N}} in bytes. Scans append to it, in whatever process; the imaging session reads what is new
 * and removes the file at its end. It is a wish, not a record: a torn or malformed line is passed over.
 */
public final class WantedFirst {

    private static final int MOST_AT_ONCE = 1 << 20;

    private record Line(long off, long len) {}

    private final Path file;
    private long seen;

    private WantedFirst(Path file) {
        this.file = file;
    }

    public static WantedFirst beside(Path image) {
        return new WantedFirst(image.resolveSibling(image.getFileName() + ".wanted"));
    }

    /** Wishes for ranges. */
    public void ask(List<Range> ranges) throws IOException {
        StringBuilder lines = new StringBuilder();
        ranges.forEach(
                r -> lines.append(Json.write(new Line(r.offset(), r.length()))).append('\n'));
        // One write: lines of several scans do not mix.
        Files.writeString(file, lines, StandardOpenOption.CREATE, StandardOpenOption.APPEND);
    }

    /** What was wished for since the last call; only ranges of a medium of {@code size} bytes. */
    public List<Range> news(long size) throws IOException {
        List<Range> ranges = new ArrayList<>();
        if (!Files.exists(file)) {
            return ranges;
        }
        try (RandomAccessFile in = new RandomAccessFile(file.toFile(), "r")) {
            byte[] bytes = new byte[(int) Math.max(0, Math.min(MOST_AT_ONCE, in.length() - seen))];
            in.seek(seen);
            in.readFully(bytes);
            int from = 0;
            for (int i = 0; i < bytes.length; i++) {
                if (bytes[i] == '\n') {
                    range(new String(bytes, from, i - from, StandardCharsets.UTF_8), size, ranges);
                    from = i + 1;
                }
            }
            seen += from;
        }
        return ranges;
    }

    private static void range(String line, long size, List<Range> to) {
        try {
            Line wanted = Json.read(line, Line.class, "wish", "wanted first");
            if (wanted.off() >= 0 && wanted.len() > 0 && wanted.off() < size) {
                to.add(new Range(wanted.off(), Math.min(wanted.len(), size - wanted.off())));
            }
        } catch (IOException malformed) {
            // Whoever wrote it asks again or waits; the device is read anyway.
        }
    }

    public void remove() throws IOException {
        Files.deleteIfExists(file);
    }
}
