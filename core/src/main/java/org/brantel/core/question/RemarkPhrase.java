package org.brantel.core.question;

import org.jspecify.annotations.Nullable;

/** What the lab remarked on it: {@code theirs}, {@code not theirs}, {@code tagged wedding}, {@code with a note}. */
final class RemarkPhrase implements Reading.Phrase {

    @Override
    public Reading.@Nullable Read at(Reading q, int i) {
        if (q.is(i, "theirs")) {
            return whose(Whose.THEIRS, 1);
        }
        if (q.is(i, "not") && q.is(i + 1, "theirs")) {
            return whose(Whose.NOT_THEIRS, 2);
        }
        if (q.is(i, "tagged")) {
            return tagged(q, i);
        }
        int with = q.is(i, "with") ? 1 : 0;
        int a = with > 0 && q.is(i + 1, "an?|the") ? 1 : 0;
        if (q.is(i, "noted") || a > 0 && q.is(i + 2, "notes?|remarks?")) {
            return new Reading.Read(Facet.REMARK, new Condition.Noted(), 1 + with + a, "with a note");
        }
        return q.is(i, "renamed")
                ? new Reading.Read(Facet.REMARK, new Condition.Renamed(), 1, "given another name here")
                : null;
    }

    private static Reading.Read whose(Whose whose, int used) {
        return new Reading.Read(Facet.WHOSE, new Condition.Said(whose), used, "said to be " + whose.words());
    }

    private static Reading.Read tagged(Reading q, int i) {
        int as = q.is(i + 1, "as|with") ? 1 : 0;
        Token tag = q.token(i + as + 1);
        return tag == null || !q.isContent(i + as + 1)
                ? new Reading.Read(Facet.REMARK, new Condition.Tagged(null), 1, "with a tag")
                : new Reading.Read(
                        Facet.REMARK, new Condition.Tagged(tag.text()), as + 2, "tagged “" + tag.text() + "”");
    }
}
