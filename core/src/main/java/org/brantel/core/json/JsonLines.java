package org.brantel.core.json;

import java.io.BufferedOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import tools.jackson.core.exc.JacksonIOException;
import tools.jackson.databind.SequenceWriter;

/** Writes a file of JSON objects, one a line, UTF-8. */
public final class JsonLines implements Closeable {

    private static final int BUFFER = 256 << 10;

    private final OutputStream out;
    private final SequenceWriter writer;
    private boolean any;

    /** @param type of the objects, all the same */
    public JsonLines(Path file, Class<?> type) throws IOException {
        out = new BufferedOutputStream(Files.newOutputStream(file), BUFFER);
        writer = Json.lines(type).writeValues(out);
    }

    /** @throws UncheckedIOException when the disk does not take it */
    public void write(Object value) {
        try {
            writer.write(value);
            any = true;
        } catch (JacksonIOException e) {
            throw new UncheckedIOException(e.getCause());
        }
    }

    @Override
    public void close() throws IOException {
        try (out) {
            writer.flush();
            if (any) {
                out.write('\n');
            }
        } catch (JacksonIOException e) {
            throw e.getCause();
        }
    }
}
