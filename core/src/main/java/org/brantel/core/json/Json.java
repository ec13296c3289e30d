package org.brantel.core.json;

import com.fasterxml.jackson.annotation.JsonAutoDetect;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.ObjectWriter;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.exc.PropertyBindingException;
import tools.jackson.databind.json.JsonMapper;

/** Reads and writes the engine's JSON. Property order is the records' own; unknown properties are refused. */
public final class Json {

    private static final JsonMapper MAPPER = JsonMapper.builder()
            .disable(MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            // A record's properties are its components; isEmpty() and the like are questions, not data.
            .changeDefaultVisibility(v -> v.withIsGetterVisibility(JsonAutoDetect.Visibility.NONE))
            .build();

    private Json() {}

    public static String write(Object value) {
        return MAPPER.writeValueAsString(value);
    }

    public static String writePretty(Object value) {
        return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(value);
    }

    static ObjectWriter lines(Class<?> type) {
        return MAPPER.writerFor(type)
                .withRootValueSeparator("\n")
                .without(SerializationFeature.FLUSH_AFTER_WRITE_VALUE);
    }

    /** @param what the kind of text, for the message; with {@code where} it says which one is malformed */
    public static <T> T read(String text, Class<T> type, String what, String where) throws MalformedJson {
        try {
            return MAPPER.readValue(text, type);
        } catch (JacksonException e) {
            throw malformed(e, what, where);
        }
    }

    public static <T> T read(Path file, Class<T> type, String what) throws IOException {
        return read(Files.readString(file), type, what, file.toString());
    }

    /** The line where the value at a JSON pointer begins, 1 for the first; for naming what is wrong inside. */
    public static int lineOf(String text, String pointer) {
        try (JsonParser parser = MAPPER.createParser(text)) {
            while (parser.nextToken() != null) {
                if (parser.streamReadContext().pathAsPointer().toString().equals(pointer)) {
                    return parser.currentTokenLocation().getLineNr();
                }
            }
        }
        return 1;
    }

    private static MalformedJson malformed(JacksonException e, String what, String where) {
        var at = e.getLocation();
        String line = at == null || at.getLineNr() < 1 ? "" : ", line " + at.getLineNr();
        return new MalformedJson("The " + what + " " + where + line + " is malformed: " + why(e) + ".", e);
    }

    /** The library's own words name classes where a value is of another kind than the one that belongs there. */
    private static String why(JacksonException e) {
        if (!(e instanceof MismatchedInputException)) {
            return e.getOriginalMessage();
        }
        if (e instanceof PropertyBindingException unknown) {
            return "'" + unknown.getPropertyName() + "' is not a name that belongs there";
        }
        String place = e.getPath().stream()
                .map(r -> r.getPropertyName() == null ? "[" + r.getIndex() + "]" : r.getPropertyName())
                .collect(Collectors.joining("."));
        if (e instanceof InvalidFormatException value) {
            return "'" + value.getValue() + "'" + (place.isEmpty() ? "" : " at " + place)
                    + " is not what belongs there";
        }
        return (place.isEmpty() ? "what stands there" : "what stands at " + place)
                + " is of another kind than belongs there";
    }

    /** The text is not what it should be; the message says where. */
    public static final class MalformedJson extends IOException {
        private static final long serialVersionUID = 1L;

        MalformedJson(String message, Throwable cause) {
            super(message, cause);
        }
    }
}
