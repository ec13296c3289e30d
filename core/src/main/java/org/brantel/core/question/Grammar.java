package org.brantel.core.question;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Joins what phrases say: parts that follow each other must all hold, {@code or} and {@code not} as people use them.
 * {@code or} between two parts of the same matter binds them alone ({@code pictures or films from 2021}), else all on
 * either side ({@code pictures from 2020 or films from 2021}); brackets say it otherwise.
 */
final class Grammar {

    private static final int DEEPEST = 20;
    /** Nothing is asked: anything is meant. */
    private static final Condition NOTHING = new Condition.Every(List.of());

    /** What phrases are tried at each word, in this order. */
    private static final List<Reading.Phrase> PHRASES = Stream.concat(
                    PlacePhrase.OTHERS.stream(), Stream.of(new PlacePhrase()))
            .toList();

    /** Of them, those that may begin with a word that else turns what follows: {@code no name}, {@code not theirs}. */
    private static final List<Reading.Phrase> TURNED = List.of(new StatePhrase(), new RemarkPhrase());

    /**
     * A part among others that must hold, too.
     *
     * @param about null for what stood in brackets
     * @param not   whether the opposite is meant
     * @param comma whether a comma joins it to the one before
     */
    private record Unit(@Nullable Facet about, Condition condition, boolean not, boolean comma) {

        private Condition whole() {
            return not ? new Condition.Not(condition) : condition;
        }

        private boolean isOf(@Nullable Facet other, boolean negated) {
            return about != null && about == other && not == negated;
        }

        private Unit or(Condition other) {
            List<Condition> any = new ArrayList<>();
            any.addAll(condition instanceof Condition.Any a ? a.of() : List.of(condition));
            any.addAll(other instanceof Condition.Any a ? a.of() : List.of(other));
            return new Unit(about, new Condition.Any(List.copyOf(any)), not, comma);
        }
    }

    private final String words;
    private final Reading question;
    private final List<Question.Part> parts = new ArrayList<>();
    private final List<Question.Problem> problems = new ArrayList<>();
    private final boolean speaks;
    private int at;

    Grammar(String words, Known known) {
        this.words = words;
        this.question = Reading.of(words, known);
        this.speaks = question.tokens().stream().anyMatch(t -> t.quoted() || !t.isMark() && !Joints.isSilent(t));
    }

    Question read() {
        Condition all = alternatives(0, false);
        return new Question(words, all, List.copyOf(parts), List.copyOf(problems));
    }

    /** Up to the end, or to the bracket that closes. */
    private Condition alternatives(int depth, boolean negated) {
        List<Condition> any = new ArrayList<>();
        while (true) {
            List<Unit> group = group(depth, negated, !any.isEmpty());
            if (!group.isEmpty()) {
                any.add(every(group));
            }
            Token next = question.token(at);
            if (next == null) {
                break;
            }
            if (next.is(")") && !next.quoted()) {
                if (depth > 0) {
                    break;
                }
                problem(next, next, "There is no bracket here to close.");
            }
            at++;
        }
        return any.isEmpty() ? NOTHING : any.size() == 1 ? any.get(0) : new Condition.Any(List.copyOf(any));
    }

    /** Parts that must all hold, up to an {@code or} that is none of theirs, a bracket that closes, or the end. */
    private List<Unit> group(int depth, boolean negated, boolean alternative) {
        List<Unit> units = new ArrayList<>();
        boolean comma = false;
        boolean not = false;
        int notFrom = -1;
        boolean or = alternative;
        for (Token t = question.token(at); t != null; t = question.token(at)) {
            if (t.isMark() && t.is(")")) {
                break;
            }
            if (Joints.isOr(t) && (units.isEmpty() || !bindsToLast(units))) {
                break;
            }
            if (Joints.isOr(t)) {
                at++;
                or(units, negated);
                not = false;
                notFrom = -1;
                continue;
            }
            if (t.isComma() || Joints.isAnd(t)) {
                comma |= t.isComma();
                at++;
                continue;
            }
            if (Joints.negates(t) && read(TURNED, at) == null) {
                not = !not;
                notFrom = notFrom < 0 ? t.from() : notFrom;
                at++;
                continue;
            }
            Unit unit = t.isMark() && t.is("(")
                    ? bracket(depth, negated, not, comma)
                    : phrase(new Place(negated, not, notFrom, comma, or));
            or = unit == null && or;
            comma = false;
            not = false;
            notFrom = -1;
            if (unit != null) {
                units.add(unit);
            }
        }
        return units;
    }

    /** How a part stands among the others. */
    private record Place(boolean within, boolean not, int notFrom, boolean comma, boolean or) {

        private boolean isTurned() {
            return within != not;
        }
    }

    private @Nullable Unit bracket(int depth, boolean negated, boolean not, boolean comma) {
        Token open = question.tokens().get(at++);
        if (depth >= DEEPEST) {
            problem(open, open, "Brackets go " + DEEPEST + " deep at most.");
            return null;
        }
        Condition inner = alternatives(depth + 1, negated != not);
        if (question.token(at) == null) {
            problem(open, open, "This bracket is never closed.");
        } else {
            at++;
        }
        return inner.equals(NOTHING) ? null : new Unit(null, inner, not, comma);
    }

    /** Whether what follows an {@code or} is of the same matter as the part before it. */
    private boolean bindsToLast(List<Unit> units) {
        Unit last = units.get(units.size() - 1);
        int next = at + 1;
        Token t = question.token(next);
        while (t != null && Joints.isSilent(t) && understood(next) == null) {
            t = question.token(++next);
        }
        if (t == null || t.isMark() || Joints.isJoint(t)) {
            return false;
        }
        Reading.Read said = understood(next);
        return last.isOf(said == null ? Facet.TEXT : said.about(), last.not());
    }

    /** Reads the part after an {@code or}, as one more way of the part before it. */
    private void or(List<Unit> units, boolean negated) {
        Unit last = units.remove(units.size() - 1);
        // A list with commas that ends with or is one of any of them.
        for (int back = 1; last.comma() && !units.isEmpty(); back++) {
            Unit before = units.get(units.size() - 1);
            if (!before.isOf(last.about(), last.not())) {
                break;
            }
            units.remove(units.size() - 1);
            last = before.or(last.condition());
            markAsOr(parts.size() - back);
        }
        for (Token t = question.token(at); t != null; t = question.token(at)) {
            Unit unit = phrase(new Place(negated, last.not(), -1, false, true));
            if (unit != null) {
                last = last.or(unit.condition());
                break;
            }
            if (t.isMark() || Joints.isJoint(t)) {
                break;
            }
        }
        units.add(last);
    }

    private void markAsOr(int part) {
        Question.Part p = parts.get(part);
        parts.set(part, new Question.Part(p.about(), p.from(), p.to(), p.says(), p.not(), true));
    }

    private Reading.@Nullable Read understood(int i) {
        Token t = question.token(i);
        if (t == null || t.quoted() || t.isMark() && !t.is(">", "<", ">=", "<=", "≤", "≥")) {
            return null;
        }
        return read(PHRASES, i);
    }

    /** What the first of some phrases reads at a place. */
    private Reading.@Nullable Read read(List<Reading.Phrase> phrases, int i) {
        for (Reading.Phrase phrase : phrases) {
            Reading.Read read = phrase.at(question, i);
            if (read != null) {
                return read;
            }
        }
        return null;
    }

    /** Reads one part, and goes on behind it; null where it says nothing, or cannot be meant. */
    private @Nullable Unit phrase(Place place) {
        Token first = question.tokens().get(at);
        Reading.Read read = understood(at);
        if (read == null && (first.isMark() || !first.quoted() && Joints.isSilent(first) && speaks)) {
            at++;
            return null;
        }
        if (read == null && !first.quoted() && !speaks && first.is("all", "everything", "anything", "files")) {
            at++;
            return null;
        }
        Reading.Read said = read != null
                ? read
                : new Reading.Read(Facet.TEXT, new Condition.Text(first.text()), 1, "“" + first.text() + "” as text");
        Token last = question.tokens().get(at + said.tokens() - 1);
        at += said.tokens();
        Condition condition = said.condition();
        if (condition == null) {
            problem(first, last, said.says());
            return null;
        }
        if (parts.size() == Question.MOST_PARTS) {
            Token end = question.tokens().get(question.tokens().size() - 1);
            problem(first, end, "A question has at most " + Question.MOST_PARTS + " parts; the rest is left out.");
            at = question.tokens().size();
            return null;
        }
        parts.add(new Question.Part(
                said.about(),
                place.notFrom() < 0 ? first.from() : place.notFrom(),
                last.to(),
                said.says(),
                place.isTurned(),
                place.or()));
        return new Unit(said.about(), condition, place.not(), place.comma());
    }

    private void problem(Token first, Token last, String sentence) {
        problems.add(new Question.Problem(first.from(), last.to(), sentence));
    }

    /** Where several of a matter are named of which a file has one alone, any of them is meant. */
    private static Condition every(List<Unit> units) {
        List<Unit> merged = new ArrayList<>();
        for (Unit u : units) {
            int same = -1;
            for (int i = 0; i < merged.size() && same < 0; i++) {
                same = isEither(merged.get(i), u) ? i : -1;
            }
            if (same < 0) {
                merged.add(u);
            } else {
                merged.set(same, merged.get(same).or(u.condition()));
            }
        }
        return merged.size() == 1
                ? merged.get(0).whole()
                : new Condition.Every(merged.stream().map(Unit::whole).toList());
    }

    private static boolean isEither(Unit a, Unit b) {
        if (!a.isOf(b.about(), false) || b.not()) {
            return false;
        }
        return a.about() != null && a.about().isOneOfSeveral() || isClosed(a.condition()) && isClosed(b.condition());
    }

    /** Days that have a beginning and an end. */
    private static boolean isClosed(Condition c) {
        return c instanceof Condition.Made m && m.from() != null && m.to() != null
                || c instanceof Condition.Any a
                        && a.of().stream()
                                .anyMatch(o -> o instanceof Condition.Made m && m.from() != null && m.to() != null);
    }
}
