package org.brantel.server.asks;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import org.brantel.server.intake.CaseViews;
import org.jspecify.annotations.Nullable;

/**
 * A question that waits for a person.
 *
 * @param key    which question it is, so that it stays the same while it waits
 * @param kind   what it is about, in a word or two
 * @param place  the part of the docket where it is answered
 * @param actions what can be done about it in place, the likeliest first
 */
public record Question(
        String key,
        @JsonUnwrapped Of of,
        String kind,
        String question,
        String reason,
        Place place,
        @JsonUnwrapped Waits waits,
        List<Action> actions) {

    /**
     * The case that it is about.
     *
     * @param deadline the day on which its files are needed; absent when nobody said one
     * @param device   the one of several of the case that it is about, the first of them; absent where it is of all
     * @param which    how people tell these devices from the others of the case
     */
    public record Of(
            String caseNumber,
            String customer,
            @Nullable LocalDate deadline,
            @Nullable Long device,
            @Nullable String which) {

        /** All of a case. */
        public Of(String caseNumber, String customer, @Nullable LocalDate deadline) {
            this(caseNumber, customer, deadline, null, null);
        }

        public static Of of(CaseViews.Summary c) {
            return new Of(c.number(), c.customer(), c.waiting().deadline());
        }

        Of device(long first, String whichOnes) {
            return new Of(caseNumber, customer, deadline, first, whichOnes);
        }
    }

    /**
     * @param since when it came up
     * @param due   when its clock runs out; absent where none runs
     * @param harm  what suffers meanwhile
     * @param loses what is wanted gets less while it waits
     * @param presses why its case presses beside the clock, each in a sentence
     */
    public record Waits(Instant since, @Nullable Instant due, Harm harm, boolean loses, List<String> presses) {

        public Waits(Instant since, @Nullable Instant due, Harm harm) {
            this(since, due, harm, false, List.of());
        }
    }

    /** This one as one of several of its kind that a case puts, told apart by a name. */
    public Question named(String which) {
        return new Question(key + "-" + which, of, kind, question, reason, place, waits, actions);
    }

    /**
     * This one of some devices of a case.
     *
     * @param some of {@code all} that the case has; where it has no others, it is a question of the case
     */
    public Question of(List<CaseViews.Device> some, List<CaseViews.Device> all) {
        if (all.size() < 2 || some.isEmpty() || some.size() == all.size()) {
            return this;
        }
        long first = some.get(0).id();
        String which = CaseViews.Device.which(some);
        return new Question(key + "-d" + first, of.device(first, which), kind, question, reason, place, waits, actions);
    }

    /** This one, of a case that presses for some reasons. */
    public Question pressed(List<Pressure> by) {
        return by.isEmpty()
                ? this
                : new Question(
                        key,
                        of,
                        kind,
                        question,
                        reason,
                        place,
                        new Waits(
                                waits.since(),
                                waits.due(),
                                waits.harm(),
                                by.stream().anyMatch(Pressure::loses),
                                by.stream().map(Pressure::words).toList()),
                        actions);
    }

    /**
     * What harms a device stands before every clock, and what gets less while it waits; then what is needed soon, what
     * is due first, and what has waited longest.
     */
    public static final Comparator<Question> MOST_PRESSING_FIRST = Comparator.comparing(
                    (Question q) -> q.waits().harm() != Harm.DEVICE)
            .thenComparing(q -> !q.waits().loses())
            .thenComparing(q -> q.waits().presses().isEmpty())
            .thenComparing(q -> q.waits().due(), Comparator.nullsLast(Comparator.naturalOrder()))
            .thenComparing(q -> q.waits().since());

    /** One that an open case puts because of the stage that it stands in; only its clock runs meanwhile. */
    public static Question of(
            CaseViews.Summary c, String kind, String question, String reason, Place place, Action... actions) {
        return of(c, Harm.CLOCK, kind, question, reason, place, actions);
    }

    /** One that an open case puts, and what suffers until it is answered. */
    public static Question of(
            CaseViews.Summary c,
            Harm harm,
            String kind,
            String question,
            String reason,
            Place place,
            Action... actions) {
        return new Question(
                c.number() + "-" + kind,
                Of.of(c),
                kind,
                question,
                reason,
                place,
                new Waits(c.waiting().stageSince(), c.waiting().due(), harm),
                List.of(actions));
    }
}
