package org.brantel.core.question;

import java.util.List;

/**
 * A question as it was understood. Places are half-open, in UTF-16 units of its words.
 *
 * @param asked    what must hold
 * @param parts    what was read where, in order
 * @param problems what could not be meant; it is left out
 */
public record Question(String words, Condition asked, List<Part> parts, List<Problem> problems) {

    /** Signs that a question may have. */
    public static final int LONGEST = 1000;

    /** Of a question with more, the rest is left out: each is looked for on its own. */
    static final int MOST_PARTS = 40;

    /**
     * A stretch that says one thing.
     *
     * @param says what was read there, in plain words
     * @param not  whether the opposite is meant
     * @param or   whether it may hold instead of the part before it
     */
    public record Part(Facet about, int from, int to, String says, boolean not, boolean or) {}

    /** @param sentence what is wrong, and what to do */
    public record Problem(int from, int to, String sentence) {}

    /**
     * Reads a question. What is not understood is looked for as text.
     *
     * @throws IllegalArgumentException for one that is longer than {@link #LONGEST}
     */
    public static Question read(String words, Known known) {
        if (words.length() > LONGEST) {
            throw new IllegalArgumentException("a question of " + words.length() + " signs");
        }
        return new Grammar(words, known).read();
    }
}
