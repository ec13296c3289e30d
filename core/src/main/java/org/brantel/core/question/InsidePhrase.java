package org.brantel.core.question;

import org.jspecify.annotations.Nullable;

/** Words in its text: {@code containing "harbour dues"}, {@code mentioning Mara}. */
final class InsidePhrase implements Reading.Phrase {

    @Override
    public Reading.@Nullable Read at(Reading q, int i) {
        if (!q.is(i, "containing|contains|mentioning|mentions")) {
            return null;
        }
        int the = q.is(i + 1, "the") && q.is(i + 2, "words?|text|phrase") ? 2 : q.is(i + 1, "words?|text") ? 1 : 0;
        int at = i + 1 + the;
        Token said = q.token(at);
        if (said == null || !said.quoted() && !q.isContent(at) || !said.says()) {
            return null;
        }
        return q.known().words()
                ? new Reading.Read(
                        Facet.INSIDE,
                        new Condition.Inside(said.text()),
                        at + 1 - i,
                        "with “" + said.text() + "” in its text")
                : Reading.Read.wrong(
                        Facet.INSIDE,
                        at + 1 - i,
                        "The customer did not agree to contents, so nobody may look for words in them; record their yes "
                                + "in the case first.");
    }
}
