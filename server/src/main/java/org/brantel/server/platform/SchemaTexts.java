package org.brantel.server.platform;

import com.github.therapi.runtimejavadoc.ClassJavadoc;
import com.github.therapi.runtimejavadoc.Comment;
import com.github.therapi.runtimejavadoc.CommentFormatter;
import com.github.therapi.runtimejavadoc.RuntimeJavadoc;
import io.swagger.v3.oas.models.media.Schema;
import java.util.Map;

/** The API's schemas say what the Javadoc of their records says. */
final class SchemaTexts {

    private static final CommentFormatter FORMATTER = new CommentFormatter();

    private SchemaTexts() {}

    static void describe(Schema<?> schema, Class<?> type) {
        ClassJavadoc doc = RuntimeJavadoc.getJavadoc(type);
        String own = text(doc.getComment());
        if (!own.isEmpty()) {
            schema.setDescription(own);
        }
        Map<String, Schema> properties = schema.getProperties();
        if (properties == null) {
            return;
        }
        doc.getRecordComponents().forEach(component -> {
            Schema<?> property = properties.get(component.getName());
            String words = text(component.getComment());
            if (property != null && !words.isEmpty()) {
                property.setDescription(words);
            }
        });
    }

    private static String text(Comment comment) {
        return FORMATTER
                .format(comment)
                .replaceAll("<[^>]+>", "")
                .replaceAll("\\s+", " ")
                .strip();
    }
}
