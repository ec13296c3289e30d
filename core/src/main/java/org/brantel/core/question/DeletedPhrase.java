package org.brantel.core.question;

import org.jspecify.annotations.Nullable;

/**
 * When it was deleted, as a record says: {@code deleted in may 2021}, {@code deleted since yesterday}. What is deleted and
 * from a day is both ({@code deleted from 2021}, {@code deleted, since 2019}).
 */
final class DeletedPhrase implements Reading.Phrase {

    private static final String LEADS = "on|in|during|since|before|after|until|till|between";

    private final DayPhrase days = new DayPhrase();

    @Override
    public Reading.@Nullable Read at(Reading q, int i) {
        if (!q.is(i, "deleted|erased|removed") || !q.is(i + 1, LEADS)) {
            return null;
        }
        Reading.Read when = days.at(q, i + 1);
        return when != null && when.condition() instanceof Condition.Made m
                ? new Reading.Read(
                        Facet.DELETED,
                        new Condition.Deleted(m.from(), m.to()),
                        1 + when.tokens(),
                        "deleted " + DayPhrase.say(m.from(), m.to()) + ", as a record says")
                : null;
    }
}
