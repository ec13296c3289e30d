package org.brantel.core.explain;

import java.util.List;

/**
 * One link of the chain of evidence.
 *
 * @param title  what it is
 * @param words  what it says, in sentences
 * @param offset where it stands in the source, in bytes; null where nothing is shown of it
 * @param hex    its bytes, two digits each; null where nothing is shown or they were not read
 * @param fields what the bytes are, in their order
 */
public record Step(String title, List<String> words, Long offset, String hex, List<Field> fields) {

    /**
     * A field of a structure.
     *
     * @param at    from the structure's first byte
     * @param value in words or numbers
     */
    public record Field(String name, int at, int length, String value) { }

    public Step {
        words = List.copyOf(words);
        fields = List.copyOf(fields);
    }

    static Step ofWords(String title, String... words) {
        return new Step(title, List.of(words), null, null, List.of());
    }
}
