package org.brantel.core.spoken;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * When it is needed: {@code needs it by friday}, {@code tomorrow noon at the latest},
 * {@code the hearing is on the 12th}.
 */
final class DeadlineWords {

    /** What cannot be put off, and so sets a day. */
    private static final String OCCASIONS =
            "funeral|wedding|meeting|exhibition|concert|hearing|trial|court|exam|exams|submission|opening|"
                    + "premiere|launch|birthday|show|presentation"
                    + "|audit|inspection|conference|festival|agm|handover|flight|flies|sails|leaves|travels|"
                    + "deadline|due|opens|starts|begins|closes|ceremony|anniversary|performance|viva|"
                    + "lecture|talk"
                    + "|printer|printers|print|auction|survey|interview|appointment|tribunal|service|burial|"
                    + "christening|memorial|election|vote|match|tournament|boat|ferry|departs|departure";

    private static final String BY = "by|until|till|before|deadline|due|for|to";
    private static final String WANTS =
            "needs?|needed|wants?|must|require[sd]?|expects?|hopes?|back|ready|done|finished|latest|collect\\w*|"
                    + "deliver\\w*";

    /**
     * @param to      the last word but one
     * @param instead what was said before it and is taken back by it
     */
    record Due(LocalDate day, int from, int to, @Nullable Due instead) {

        Due(LocalDate day, int from, int to) {
            this(day, from, to, null);
        }

        Due insteadOf(@Nullable Due before) {
            return new Due(day, from, to, before);
        }
    }

    private final List<Word> words;
    private final LocalDate today;

    DeadlineWords(List<Word> words, LocalDate today) {
        this.words = words;
        this.today = today;
    }

    /** The day that was said last: what follows a correction takes the place of what was before it. */
    Optional<Due> find() {
        Due found = null;
        boolean corrected = false;
        for (int at = 0; at < words.size(); at++) {
            if (words.get(at).text().equals(Corrections.MARK)) {
                corrected = found != null;
                Optional<SpokenDate> instead = corrected ? bare(at + 1) : Optional.empty();
                if (instead.isPresent() && !instead.get().to().isBefore(today)) {
                    int lead = lead(at + 1);
                    found = new Due(
                                    instead.get().to(),
                                    at + 1,
                                    lead + instead.get().words())
                            .insteadOf(found);
                }
                continue;
            }
            Optional<Due> here = found == null || corrected ? at(at) : Optional.empty();
            if (here.isPresent()) {
                // The same words may be met twice, alone and with what leads to them.
                Due before = found != null && here.get().from() < found.to() ? found.instead() : found;
                found = here.get().insteadOf(before);
                at = found.to() - 1;
                corrected = false;
            }
        }
        return Optional.ofNullable(found);
    }

    private int lead(int at) {
        int i = at;
        while (text(i).matches("by|its|it|is|on|for|rather|make|no|the|before|until")
                && SpokenDate.at(words, i, today, true).isEmpty()) {
            i++;
        }
        return i;
    }

    private Optional<SpokenDate> bare(int at) {
        return SpokenDate.at(words, lead(at), today, true);
    }

    private Optional<Due> at(int at) {
        String w = text(at);
        if (words.get(at).isBreak()) {
            return Optional.empty();
        }
        boolean by = w.matches(BY) && !(w.equals("to") || w.equals("for")) || w.equals("for") && hasBefore(at, WANTS);
        boolean asks = w.matches(WANTS) || w.equals("it") && hasBefore(at, WANTS);
        boolean occasion = w.matches(OCCASIONS);
        if (by || asks || occasion) {
            int day = at + 1;
            // Between an occasion and its day stand a few small words.
            int reach = by ? 2 : 5;
            while (day < at + reach
                    && text(day)
                            .matches("is|are|on|for|:|at|it|them|the|will|be|next|back|in|of|this|her|his|their|"
                                    + "ready|done|hand|takes|place|held|by|to|everything|all|-|files?|"
                                    + "photos?|comes|falls|latest|and|gets|coming|midnight|noon|"
                                    + "midday|night|that|thesis|report|book|paper|end")
                    && dated(day).isEmpty()) {
                day++;
            }
            Optional<SpokenDate> date = dated(day);
            if (date.isPresent() && isAhead(date.get()) && !denied(at) && !isPast(at, day)) {
                boolean before = w.equals("before") || text(day - 1).equals("before");
                LocalDate due = before ? date.get().from() : date.get().to();
                return Optional.of(new Due(due, neededFrom(at), day + date.get().words()));
            }
        }
        if (w.equals("within") && dated(at).isPresent()) {
            return Optional.of(new Due(
                    dated(at).get().to(), neededFrom(at), at + dated(at).get().words()));
        }
        return latest(at);
    }

    /** {@code tomorrow at the latest}. */
    private Optional<Due> latest(int at) {
        Optional<SpokenDate> date = dated(at);
        if (date.isEmpty() || !isAhead(date.get())) {
            return Optional.empty();
        }
        int i = at + date.get().words();
        while (text(i).matches("noon|midday|midnight|morning|evening|afternoon|night|at|the|very|absolute")) {
            i++;
        }
        boolean suits = text(i).matches("would|will|is")
                && text(i + 1).matches("be|do|fine|ok|okay|enough|early|good|best|the");
        return text(i).matches("latest")
                        || suits && !(text(i + 1).equals("the") && !text(i + 2).matches("deadline|latest|last"))
                        || text(i).equals("if") && text(i + 1).equals("possible") && hasBefore(at, WANTS)
                ? Optional.of(new Due(date.get().to(), neededFrom(at), i + 1))
                : Optional.empty();
    }

    private Optional<SpokenDate> dated(int at) {
        if (at >= words.size() || text(at).matches("\\d{1,2}") && !text(at + 1).matches("[a-z]{3,}")) {
            return Optional.empty();
        }
        Optional<SpokenDate> date = SpokenDate.at(words, at, today, true);
        // A year or a season alone is a time, not a day that something is due.
        return date.filter(d ->
                !(text(at).matches("\\d{4}") && d.words() == 1) && !text(at).matches("spring|summer|autumn|winter"));
    }

    private boolean isAhead(SpokenDate date) {
        return !date.to().isBefore(today);
    }

    /** {@code no deadline}, {@code not before}: but {@code not later than} is one. */
    private boolean denied(int at) {
        for (int i = Math.max(0, at - 3); i < at; i++) {
            if (words.get(i).negates()) {
                return !text(i + 1).matches("later");
            }
        }
        return false;
    }

    private boolean isPast(int at, int day) {
        for (int i = Math.max(0, at - 2); i < day; i++) {
            if (text(i).matches("was|were|had|ago|since|last|lost|happened")) {
                return true;
            }
        }
        return false;
    }

    private boolean hasBefore(int at, String some) {
        for (int i = at - 1; i >= 0 && i >= at - 6 && !words.get(i).isBreak(); i--) {
            if (text(i).matches(some)) {
                return true;
            }
        }
        return false;
    }

    /** The clause that asks for it: from 'needs' on, when it says so; what is wanted is left to be heard. */
    private int neededFrom(int at) {
        for (int i = at; i >= 0 && !words.get(i).isBreak(); i--) {
            if (WantedWords.kindOf(text(i)) != null) {
                return at;
            }
            if (text(i).matches("needs?|needed|wants?|must|has|" + OCCASIONS)) {
                return i;
            }
        }
        return at;
    }

    private String text(int i) {
        return i < words.size() ? words.get(i).text() : "";
    }
}
