package org.brantel.core.finding;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Packing;
import org.brantel.core.json.Json;
import org.brantel.core.json.JsonLines;
import org.jspecify.annotations.Nullable;

/** findings.ndjson, version 1: one JSON object a line, UTF-8, in order of id. */
public final class FindingsFile {

    /** A line as it stands in the file; times are ISO 8601 in UTC. */
    private record Line(
            long id,
            @Nullable Integer volume,
            @Nullable String path,
            String name,
            long size,
            String kind,
            String origin,
            String prognosis,
            int score,
            @Nullable Double proven,
            List<String> reasons,
            List<long[]> extents,
            @Nullable String encoding,
            @Nullable String created,
            @Nullable String modified,
            @Nullable String accessed,
            @Nullable String sha256,
            @Nullable String suggestedName,
            @Nullable Long container,
            @Nullable String note,
            @Nullable Long recordAt,
            List<String> attributes,
            @Nullable String deleted,
            @Nullable String trashedFrom,
            @Nullable Map<String, String> about) {

        static Line of(Finding f) {
            return new Line(
                    f.id(),
                    f.volume(),
                    f.path(),
                    f.name(),
                    f.size(),
                    f.kind(),
                    f.origin().word(),
                    f.prognosis().word(),
                    f.score(),
                    f.proven(),
                    f.reasons(),
                    f.extents().stream()
                            .map(e -> new long[] {e.offset(), e.length()})
                            .toList(),
                    f.encoding() == null ? null : f.encoding().word(),
                    text(f.created()),
                    text(f.modified()),
                    text(f.accessed()),
                    f.sha256(),
                    f.suggestedName(),
                    f.container(),
                    f.note(),
                    f.record().at(),
                    f.record().attributes(),
                    text(f.record().deleted()),
                    f.record().trashedFrom(),
                    f.about().isEmpty() ? null : f.about());
        }

        Finding finding() {
            List<Extent> places = new ArrayList<>(extents.size());
            for (long[] e : extents) {
                if (e.length != 2) {
                    throw new IllegalArgumentException("an extent has " + e.length + " numbers, not 2");
                }
                places.add(new Extent(e[0], e[1]));
            }
            return new Finding(
                    id,
                    volume,
                    Origin.valueOf(origin.toUpperCase(Locale.ROOT)),
                    new Named(path, name, suggestedName),
                    new Times(instant(created), instant(modified), instant(accessed)),
                    new Verdict(Prognosis.valueOf(prognosis.toUpperCase(Locale.ROOT)), score, reasons, proven),
                    new Content(size, kind, places, Packing.ofWord(encoding), sha256, about == null ? Map.of() : about),
                    new Evidence(
                            new RecordFacts(
                                    recordAt,
                                    attributes == null ? List.of() : attributes,
                                    instant(deleted),
                                    trashedFrom),
                            container,
                            note));
        }

        private static @Nullable String text(@Nullable Instant time) {
            return time == null ? null : UtcText.of(time);
        }

        private static @Nullable Instant instant(@Nullable String text) {
            return text == null ? null : Instant.parse(text);
        }
    }

    private FindingsFile() {}

    /** Writes line by line. */
    public static final class Writer implements Closeable {
        private final JsonLines out;

        public Writer(Path file) throws IOException {
            out = new JsonLines(file, Line.class);
        }

        public void write(Finding finding) {
            out.write(Line.of(finding));
        }

        @Override
        public void close() throws IOException {
            out.close();
        }
    }

    /** Reads a file of any length, one finding at a time. */
    public static void read(Path file, Consumer<Finding> each) throws IOException {
        if (!Files.isRegularFile(file)) {
            throw new IOException("There are no findings at " + file + ".");
        }
        int number = 0;
        try (Stream<String> lines = Files.lines(file)) {
            for (String line : (Iterable<String>) lines::iterator) {
                number++;
                if (line.isBlank()) {
                    continue;
                }
                each.accept(parsed(line, file + ", line " + number));
            }
        }
    }

    /** A finding as a line of the file, without its end. */
    public static String line(Finding finding) {
        return Json.write(Line.of(finding));
    }

    /**
     * One line.
     *
     * @param where it stands, for the message
     */
    public static Finding parsed(String line, String where) throws IOException {
        Line parsed = Json.read(line, Line.class, "finding", where);
        try {
            return parsed.finding();
        } catch (RuntimeException e) {
            throw new IOException("The finding " + where + " is malformed: " + e.getMessage() + ".", e);
        }
    }
}
