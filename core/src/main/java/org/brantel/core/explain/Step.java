package org.brantel.core.explain;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One link of the chain of evidence.
 *
 * @param title  what it is
 * @param words  what it says, in sentences
 * @param offset where it stands in the source, in bytes; null where nothing is shown of it
 * @param hex    its bytes, two digits each; null where nothing is shown or they were not read
 * @param fields what the bytes are, in their order
 * @param isContent whether the bytes are somebody's content, not a record of the file system
 */
public record Step(
        String title,
        List<String> words,
        @Nullable Long offset,
        @Nullable String hex,
        List<Field> fields,
        boolean isContent) {

    /**
     * A field of a structure.
     *
     * @param at    from the structure's first byte
     * @param value in words or numbers
     */
    public record Field(String name, int at, int length, String value) {}

    public Step {
        words = List.copyOf(words);
        fields = List.copyOf(fields);
    }

    Step(String title, List<String> words, @Nullable Long offset, @Nullable String hex, List<Field> fields) {
        this(title, words, offset, hex, fields, false);
    }

    static Step ofWords(String title, String... words) {
        return new Step(title, List.of(words), null, null, List.of());
    }
}
