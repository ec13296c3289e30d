package org.brantel.server.platform;

import com.github.therapi.runtimejavadoc.Comment;
import com.github.therapi.runtimejavadoc.CommentFormatter;
import com.github.therapi.runtimejavadoc.RuntimeJavadoc;
import io.swagger.v3.oas.models.media.Schema;
import java.util.Arrays;
import java.util.Map;

/** The API's schemas say what the Javadoc of their records says. */
final class SchemaTexts {

    private static final CommentFormatter FORMATTER = new CommentFormatter();

    private SchemaTexts() {}

    static void describe(Schema<?> schema, Class<?> type) {
        String own = text(RuntimeJavadoc.getJavadoc(type).getComment());
        if (!own.isEmpty()) {
            schema.setDescription(own);
        }
        if (schema.getProperties() != null) {
            describeParts(schema.getProperties(), type);
        }
    }

    /** Parts that are unwrapped are seen through: what they say of theirs, the schema says. */
    private static void describeParts(Map<String, Schema> properties, Class<?> type) {
        RuntimeJavadoc.getJavadoc(type).getRecordComponents().forEach(component -> {
            Schema<?> property = properties.get(component.getName());
            String words = text(component.getComment());
            if (property != null && !words.isEmpty()) {
                property.setDescription(words);
            }
        });
        if (type.isRecord()) {
            Arrays.stream(type.getRecordComponents())
                    .filter(SchemaNames::isUnwrapped)
                    .forEach(part -> describeParts(properties, part.getType()));
        }
    }

    private static String text(Comment comment) {
        return FORMATTER
                .format(comment)
                .replaceAll("<[^>]+>", "")
                .replaceAll("\\s+", " ")
                .strip();
    }
}
