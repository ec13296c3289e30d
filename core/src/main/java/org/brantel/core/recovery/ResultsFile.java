package org.brantel.core.recovery;

import java.io.BufferedWriter;
import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.LinkedHashMap;
import java.util.Map;
import org.brantel.core.json.Json;

/**
 * results.ndjson: appended as files are done, so that a stopped run goes on where it was. The last word on an id wins.
 */
final class ResultsFile implements Closeable {

    private final BufferedWriter out;

    ResultsFile(Path file) throws IOException {
        if (Files.exists(file) && !endsWithLine(file)) {
            Files.writeString(file, "\n", StandardOpenOption.APPEND);
        }
        out = Files.newBufferedWriter(file, StandardOpenOption.CREATE, StandardOpenOption.APPEND);
    }

    private static boolean endsWithLine(Path file) throws IOException {
        String text = Files.readString(file);
        return text.isEmpty() || text.endsWith("\n");
    }

    void write(RecoveryResult result) throws IOException {
        out.write(Json.write(result));
        out.write('\n');
        out.flush();
    }

    /** What is known so far, by id; a line that was cut off is as if never written. */
    public static Map<Long, RecoveryResult> read(Path file) throws IOException {
        Map<Long, RecoveryResult> results = new LinkedHashMap<>();
        if (!Files.exists(file)) {
            return results;
        }
        for (String line : Files.readAllLines(file)) {
            try {
                RecoveryResult result = Json.read(line, RecoveryResult.class, "recovery result", file.toString());
                results.put(result.id(), result);
            } catch (Json.MalformedJson e) {
                if (line.startsWith("{") && line.endsWith("}")) {
                    throw e;
                }
            }
        }
        return results;
    }

    @Override
    public void close() throws IOException {
        out.close();
    }
}
