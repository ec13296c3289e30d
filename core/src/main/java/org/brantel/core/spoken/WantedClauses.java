package org.brantel.core.spoken;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.kinds.Kinds;
import org.brantel.core.wanted.WantedLine;
import org.jspecify.annotations.Nullable;

/**
 * The stretches of a line that name content to be had back, each a wanted line of its own:
 * {@code 40 photos from june and 3 videos} is two. What was taken as a fact is none; what is added after a comma
 * ({@code maybe forty}, {@code all from 1998}) belongs to what it follows.
 */
final class WantedClauses {

    /** How something begins that is added to what was named before a comma. */
    private static final Set<String> ADDED = Set.of(
            "all",
            "maybe",
            "about",
            "around",
            "roughly",
            "since",
            "from",
            "if",
            "in",
            "mostly",
            "most",
            "at",
            "over",
            "called",
            "named",
            "some",
            "nearly",
            "almost",
            "must",
            "of",
            "by",
            "under",
            "taken",
            "made",
            "recorded",
            "written");

    private static final Set<String> JOINTS =
            Set.of("and", "plus", "also", "but", "then", "because", "so", "while", "&");
    /** What leads over to the thing itself. */
    private static final Set<String> LEADS = Set.of(
            "she",
            "he",
            "they",
            "we",
            "i",
            "wants",
            "want",
            "wanted",
            "needs",
            "need",
            "needed",
            "would",
            "like",
            "likes",
            "hopes",
            "hope",
            "hoping",
            "looking",
            "back",
            "get",
            "please",
            "also",
            "and",
            "plus",
            "then",
            "after",
            "afterwards",
            "that",
            "above",
            "mainly",
            "especially",
            "mostly",
            "first",
            "firstly",
            "really",
            "desperately",
            "only",
            "just",
            "to",
            "have",
            "customer",
            "caller",
            "its",
            "is",
            "it",
            "cares",
            "about",
            "asks",
            "for",
            "biggest",
            "wish",
            "lost",
            "missing",
            "main",
            "thing",
            "priority");

    private static final Set<String> WANTS =
            Set.of("wants", "want", "wanted", "needs", "need", "looking", "hopes", "hoping", "like", "asks", "please");

    private record Piece(int start, int end, String joint) {}

    private final String line;
    private final List<Word> words;
    private final BitSet taken;
    private final LocalDate before;
    private final List<Heard.Wanted> found = new ArrayList<>();

    /** @param before the day of the loss, or of the call: what is wanted was made before it */
    WantedClauses(String line, List<Word> words, BitSet taken, LocalDate before) {
        this.line = line;
        this.words = words;
        this.taken = taken;
        this.before = before;
    }

    List<Heard.Wanted> find() {
        Piece open = null;
        for (Piece piece : pieces()) {
            Piece own = shortened(withoutFacts(piece));
            if (own == null) {
                open = null;
            } else if (open != null && isAddition(own, open)) {
                Piece longer = new Piece(open.start, own.end, open.joint);
                found.remove(found.size() - 1);
                add(longer);
                open = longer;
            } else if (names(own.start, own.end) && !isDenied(own)) {
                Piece trimmed = new Piece(trimmed(own), own.end, own.joint);
                if (open != null && own.joint.equals(Corrections.MARK)) {
                    found.remove(found.size() - 1);
                }
                add(trimmed);
                shareTime(open, trimmed);
                open = trimmed;
            } else {
                open = null;
            }
        }
        return List.copyOf(found);
    }

    private void add(Piece p) {
        int a = words.get(p.start).from();
        int b = words.get(p.end - 1).to();
        WantedWords.read(line.substring(a, b), before).ifPresent(w -> found.add(new Heard.Wanted(w, a, b)));
    }

    /** {@code photos and films from june}: the time is that of both. */
    private void shareTime(@Nullable Piece left, Piece right) {
        if (left == null || !right.joint.equals("and") || found.size() < 2) {
            return;
        }
        Heard.Wanted a = found.get(found.size() - 2);
        WantedLine l = a.line();
        WantedLine r = found.get(found.size() - 1).line();
        if (!l.days().areAsked() && r.days().areAsked()) {
            found.set(
                    found.size() - 2,
                    new Heard.Wanted(
                            new WantedLine(
                                    l.id(),
                                    l.words(),
                                    l.kinds(),
                                    l.pattern(),
                                    l.hopedFor(),
                                    l.minBytes(),
                                    r.days(),
                                    l.mustHave()),
                            a.from(),
                            a.to()));
        }
    }

    /** Cut at breaks, and at joints that stand between two things. */
    private List<Piece> pieces() {
        List<Piece> pieces = new ArrayList<>();
        int start = 0;
        String joint = "";
        for (int i = 0; i <= words.size(); i++) {
            boolean end = i == words.size();
            boolean isBreak = !end && words.get(i).isBreak();
            boolean orSo = !end
                    && i > 0
                    && words.get(i).text().equals("so")
                    && words.get(i - 1).text().equals("or");
            boolean cuts = !end && JOINTS.contains(words.get(i).text()) && !isRange(i) && !orSo && i > start;
            if (end || isBreak || cuts) {
                if (i > start) {
                    pieces.add(new Piece(start, i, joint));
                }
                joint = end ? "" : words.get(i).text();
                start = i + 1;
            }
        }
        return pieces;
    }

    /** {@code between march and may}, {@code two hundred and fifty}, {@code black and white}. */
    private boolean isRange(int at) {
        if (!words.get(at).text().equals("and") || at == 0 || at + 1 >= words.size()) {
            return false;
        }
        String next = words.get(at + 1).text();
        boolean between = false;
        for (int i = at - 1; i >= 0 && i >= at - 4 && !words.get(i).isBreak(); i--) {
            between |= words.get(i).text().equals("between");
        }
        boolean number = words.get(at - 1).text().matches("hundred|thousand")
                && SpokenNumber.at(words, at + 1).isPresent()
                && at > 1
                && (words.get(at - 2).text().equals("a")
                        || SpokenNumber.at(words, at - 2).isPresent());
        return between
                || number
                || next.matches("white|a|so")
                        && (next.equals("white")
                                || next.equals("so")
                                || at + 2 < words.size()
                                        && words.get(at + 2).text().equals("half"));
    }

    /** Without small words at its end that lead to nothing. */
    private @Nullable Piece shortened(@Nullable Piece p) {
        int end = p == null ? 0 : p.end;
        while (p != null && end > p.start + 1 && words.get(end - 1).text().matches("by|for|with|or|the|a|to|on|in")) {
            end--;
        }
        return p == null ? null : new Piece(p.start, end, p.joint);
    }

    /**
     * The piece, or what stands in it before the first or behind the last fact where that says what is wanted; null for
     * nothing.
     */
    private @Nullable Piece withoutFacts(Piece p) {
        int last = taken.previousSetBit(p.end - 1);
        if (last < p.start) {
            return p;
        }
        int want = last + 1;
        while (want < p.end && !WANTS.contains(words.get(want).text())) {
            want++;
        }
        if (want < p.end && names(want, p.end)) {
            return new Piece(want, p.end, "");
        }
        int first = taken.nextSetBit(p.start);
        boolean wants = words.subList(p.start, first).stream().anyMatch(w -> WANTS.contains(w.text()));
        return wants && names(p.start, first) ? new Piece(p.start, first, p.joint) : null;
    }

    private boolean names(int start, int end) {
        return clause(start, end)
                .filter(w -> !w.kinds().isEmpty() || !w.pattern().isEmpty())
                .isPresent();
    }

    private Optional<WantedLine> clause(int start, int end) {
        return start >= end
                ? Optional.empty()
                : WantedWords.read(
                        line.substring(
                                words.get(start).from(), words.get(end - 1).to()),
                        before);
    }

    private boolean isAddition(Piece p, Piece open) {
        boolean dates = SpokenDate.at(words, p.start, before, false)
                .filter(d -> p.start + d.words() >= p.end)
                .isPresent();
        if (!p.joint.equals(",") && !p.joint.equals(":") && !p.joint.equals("(") && !(p.joint.equals("and") && dates)) {
            return false;
        }
        String first = words.get(p.start).text();
        List<String> kinds = clause(p.start, p.end).map(WantedLine::kinds).orElse(List.of());
        if (kinds.isEmpty()) {
            boolean counts = SpokenNumber.at(words, p.start)
                    .filter(n -> p.start + n.words() >= p.end
                            || words.get(p.start + n.words()).text().matches("or|odd|pieces|in|altogether|of"))
                    .isPresent();
            return ADDED.contains(first)
                    || counts
                    || SpokenDate.at(words, p.start, before, false).isPresent();
        }
        List<String> had = clause(open.start, open.end).map(WantedLine::kinds).orElse(List.of());
        boolean restricts = had.containsAll(kinds)
                && SpokenNumber.at(words, p.start).isEmpty()
                && words.subList(p.start, p.end).stream()
                        .anyMatch(w -> w.text().matches("only|mostly|mainly|all|each"));
        // Another name of the same thing: the thesis, a docx called …
        boolean sameThing = (first.matches("an?|as|in|all") || p.end == p.start + 1)
                && kinds.stream().noneMatch(k -> Kinds.groups().contains(k));
        return restricts || sameThing;
    }

    /** A denial before what is named, or a copy of it: {@code not the films}, {@code doesn't need the letters}. */
    private boolean isDenied(Piece p) {
        for (int i = p.start; i < p.end && WantedWords.kindOf(words.get(i).text()) == null; i++) {
            if (words.get(i).negates() || words.get(i).text().matches("copy|copies")) {
                return true;
            }
        }
        return false;
    }

    private int trimmed(Piece p) {
        int start = p.start;
        if (start + 3 < p.end
                && words.get(start + 1).text().equals("of")
                && words.get(start + 2).text().equals("all")) {
            start += 3; // most of all, first of all
        }
        while (start + 1 < p.end
                && LEADS.contains(words.get(start).text())
                && names(start + 1, p.end)
                && !isCount(start)) {
            start++;
        }
        return start;
    }

    /** {@code about forty} belongs to the thing. */
    private boolean isCount(int at) {
        return words.get(at).text().equals("about")
                && SpokenNumber.at(words, at + 1).isPresent();
    }
}
