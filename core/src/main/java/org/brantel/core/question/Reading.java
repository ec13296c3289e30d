package org.brantel.core.question;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** A question while it is read. */
record Reading(List<Token> tokens, List<String> words, Known known) {

    static Reading of(String question, Known known) {
        List<Token> tokens = Token.of(question);
        return new Reading(tokens, tokens.stream().map(Token::word).toList(), known);
    }

    /** The word at a place; empty for what is quoted, and beyond the end. */
    String word(int i) {
        return i >= 0 && i < words.size() ? words.get(i) : "";
    }

    @Nullable
    Token token(int i) {
        return i >= 0 && i < tokens.size() ? tokens.get(i) : null;
    }

    boolean is(int i, String regex) {
        return word(i).matches(regex);
    }

    /** Whether something is left that is no mark and no joint. */
    boolean isContent(int i) {
        Token t = token(i);
        return t != null && !t.isMark() && !Joints.isJoint(t);
    }

    /**
     * What a stretch means.
     *
     * @param condition null where it cannot be meant; then {@code says} is what is wrong and what to do
     * @param tokens    how many it takes
     */
    record Read(Facet about, @Nullable Condition condition, int tokens, String says) {

        static Read wrong(Facet about, int tokens, String sentence) {
            return new Read(about, null, tokens, sentence);
        }
    }

    /** One way to say one thing. */
    interface Phrase {
        /** What begins at a place; null where nothing of this does. */
        @Nullable
        Read at(Reading question, int i);
    }
}
