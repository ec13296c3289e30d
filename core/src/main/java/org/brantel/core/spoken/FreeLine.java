package org.brantel.core.spoken;

import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.triage.Protocol;
import org.brantel.core.wanted.WantedLine;

/**
 * Turns what is said into facts. Phrases (phrases.txt beside this package) are looked for from left to right, the longest
 * first; a phrase that is negated says the opposite where one is written down, else nothing; one that is doubted or asked
 * says nothing. Where a code holds one value, what was said last counts.
 */
public final class FreeLine {

    private static final int NEGATION_REACH = 4;
    private static final Set<String> DOUBTS = Set.of("maybe", "perhaps", "might", "possibly", "probably", "unsure", "think", "guess",
            "whether", "if", "dunno", "unclear", "supposedly", "wonder", "could", "seems");
    private static final Set<String> JOINTS = Set.of("and", "but", "then", "because", "so", "although", "since");
    /** How something begins that is added to what was named before a comma. */
    private static final Set<String> ADDED = Set.of("all", "maybe", "about", "around", "roughly", "since", "from", "if", "in", "mostly",
            "most", "at", "over", "called", "named", "some");
    /** A fact with one of these is what a time in the same clause belongs to. */
    private static final Set<String> HAPPENED = Set.of("loss.event", "symptom.appears", "symptom.noise", "symptom.body");

    private final List<Phrase> phrases;
    private final Set<String> single;

    /** @throws IllegalArgumentException when the phrases speak of facts that the protocol does not have */
    public FreeLine(Protocol protocol) {
        Set<String> known = protocol.facts().stream().flatMap(f -> f.values().stream().map(v -> f.code() + "=" + v))
                .collect(Collectors.toSet());
        single = protocol.facts().stream().filter(f -> !f.many()).map(Protocol.FactCode::code).collect(Collectors.toSet());
        phrases = Phrase.parse(text(), known);
    }

    private static String text() {
        try (InputStream in = FreeLine.class.getResourceAsStream("phrases.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new IllegalStateException("the phrases that ship with the product cannot be read", e);
        }
    }

    /** @param today the day of the call, in the lab's zone */
    public Heard read(String line, LocalDate today) {
        return new Reading(line, today).read();
    }

    private final class Reading {

        private final String line;
        private final LocalDate today;
        private final List<Word> words;
        private final BitSet taken = new BitSet();
        private final List<Heard.Fact> facts = new ArrayList<>();
        private Heard.Capacity capacity;
        private Heard.Deadline deadline;

        Reading(String line, LocalDate today) {
            this.line = line;
            this.today = today;
            this.words = Word.of(line);
        }

        Heard read() {
            capacity();
            phrases();
            deadline();
            hoursSince();
            List<Heard.Wanted> wanted = wanted();
            return new Heard(lastOfEach(), capacity, deadline, wanted);
        }

        private void phrases() {
            for (int at = 0; at < words.size(); at++) {
                if (taken.get(at)) {
                    continue;
                }
                Phrase longest = null;
                int end = at;
                for (Phrase p : phrases) {
                    int e = p.end(words, at);
                    if (e > at && taken.get(at, e).isEmpty() && (e > end || e == end && p.weight() > longest.weight())) {
                        longest = p;
                        end = e;
                    }
                }
                if (longest != null) {
                    boolean negated = negatedBefore(at);
                    List<String> states = doubted(at, end) ? List.of() : negated ? longest.negated() : longest.states();
                    int from = negated && !states.isEmpty() ? negator(at) : at;
                    for (String fact : states) {
                        String[] parts = fact.split("=");
                        add(parts[0], parts[1], from, end);
                    }
                    taken.set(from, end);
                    at = end - 1;
                }
            }
        }

        private void add(String code, String value, int from, int end) {
            int a = words.get(from).from();
            int b = words.get(end - 1).to();
            facts.add(new Heard.Fact(code, value, a, b, line.substring(a, b)));
        }

        /** Where the clause of a word begins: after a break or a joint. */
        private int clauseStart(int at, boolean joints) {
            int i = at;
            while (i > 0 && !words.get(i - 1).isBreak() && !(joints && JOINTS.contains(words.get(i - 1).text()))) {
                i--;
            }
            return i;
        }

        private int clauseEnd(int at) {
            int i = at;
            while (i < words.size() && !words.get(i).isBreak()) {
                i++;
            }
            return i;
        }

        private int negator(int at) {
            int start = Math.max(clauseStart(at, true), at - NEGATION_REACH);
            for (int i = at - 1; i >= start; i--) {
                if (words.get(i).negates() || words.get(i).text().equals("stopped")) {
                    return i;
                }
            }
            return -1;
        }

        private boolean negatedBefore(int at) {
            int i = negator(at);
            return i >= 0 && !taken.get(i);
        }

        /** Doubted within its clause, or asked. Words of the phrase itself doubt nothing. */
        private boolean doubted(int from, int end) {
            int stop = clauseEnd(end);
            for (int i = clauseStart(from, false); i < stop; i++) {
                String w = words.get(i).text();
                if ((i < from || i >= end) && !taken.get(i) && (DOUBTS.contains(w)
                        || w.matches("sure|know|certain") && i > 0 && words.get(i - 1).negates())) {
                    return true;
                }
            }
            return stop < words.size() && words.get(stop).text().equals("?");
        }

        /** {@code 2 TB}, {@code two terabytes}, {@code 500 gig}; not {@code 300 GB of data}, which is not the device's. */
        private void capacity() {
            for (int at = 0; at < words.size(); at++) {
                Optional<SpokenNumber> n = SpokenNumber.at(words, at);
                int unit = at + n.map(SpokenNumber::words).orElse(0);
                String glued = words.get(at).text();
                BigDecimal bytes = null;
                int end = at + 1;
                if (n.isPresent() && unit < words.size() && Capacity.isUnit(words.get(unit).text())) {
                    bytes = Capacity.bytes(BigDecimal.valueOf(n.get().value()), words.get(unit).text());
                    end = unit + 1;
                } else if (glued.matches("\\d+([.]\\d+)?[a-z]+") && Capacity.isUnit(glued.replaceFirst("^[\\d.]+", ""))) {
                    bytes = Capacity.bytes(new BigDecimal(glued.replaceFirst("[a-z]+$", "")), glued.replaceFirst("^[\\d.]+", ""));
                }
                if (bytes != null && bytes.signum() > 0 && bytes.compareTo(new BigDecimal("1e15")) <= 0 && isOfTheDevice(at, end)) {
                    int a = words.get(at).from();
                    int b = words.get(end - 1).to();
                    capacity = new Heard.Capacity(bytes.longValue(), a, b, line.substring(a, b));
                    taken.set(at, end);
                    return;
                }
            }
        }

        private boolean isOfTheDevice(int at, int end) {
            String next = end < words.size() ? words.get(end).text() : "";
            String before = at > 0 ? words.get(at - 1).text() : "";
            return !next.matches("of|worth|free|used|copied|lost|missing|gone|deleted|file|files")
                    && !before.matches("lost|deleted|copied|over|than|least|only|another|about|missing");
        }

        /** {@code needs it by friday}. */
        private void deadline() {
            for (int at = 0; at + 1 < words.size(); at++) {
                String w = words.get(at).text();
                boolean due = w.matches("by|until|till|before|deadline|due")
                        || w.equals("it") && at > 0 && words.get(at - 1).text().matches("needs?|needed|wants?");
                int day = at + 1 + (due && words.get(at + 1).text().matches("is|on|for|:") ? 1 : 0);
                Optional<SpokenDate> date = due ? SpokenDate.at(words, day, today, true) : Optional.empty();
                if (date.isPresent() && !date.get().to().isBefore(today)) {
                    int from = neededFrom(at);
                    int end = day + date.get().words();
                    deadline = new Heard.Deadline(w.equals("before") ? date.get().from() : date.get().to(), words.get(from).from(),
                            words.get(end - 1).to(), line.substring(words.get(from).from(), words.get(end - 1).to()));
                    taken.set(from, end);
                    return;
                }
            }
        }

        /** The clause that asks for it: from 'needs' on, when it says so. */
        private int neededFrom(int at) {
            for (int i = at; i >= clauseStart(at, false); i--) {
                if (words.get(i).text().matches("needs?|needed|wants?|must|has")) {
                    return i;
                }
            }
            return at;
        }

        /** A past time in a clause that says what happened. */
        private void hoursSince() {
            for (int at = 0; at < words.size(); at++) {
                String before = at > 0 ? words.get(at - 1).text() : "";
                Optional<SpokenDate> date = taken.get(at) || before.matches("since|from|by|until|before|of|to")
                        ? Optional.empty() : SpokenDate.at(words, at, today, false);
                if (date.isPresent() && taken.get(at, at + date.get().words()).isEmpty()) {
                    int end = at + date.get().words();
                    boolean exact = date.get().from().equals(date.get().to());
                    if (exact && !date.get().from().isAfter(today) && saysWhatHappened(at, end) && !doubted(at, end)) {
                        add("since.hours", Long.toString(hours(at, end, date.get())), at, end);
                        taken.set(at, end);
                        return;
                    }
                    at = end - 1;
                }
            }
        }

        private long hours(int at, int end, SpokenDate date) {
            if (words.get(end - 1).text().equals("ago") && words.get(end - 2).text().startsWith("hour")) {
                return SpokenNumber.at(words, at).map(n -> Math.round(n.value())).orElse(1L);
            }
            return 24 * ChronoUnit.DAYS.between(date.from(), today);
        }

        private boolean saysWhatHappened(int at, int end) {
            int from = words.get(clauseStart(at, false)).from();
            int to = words.get(Math.max(end, clauseEnd(at)) - 1).to();
            return facts.stream().anyMatch(f -> HAPPENED.contains(f.code()) && f.from() >= from && f.to() <= to);
        }

        /** Clauses that name content and of which nothing was taken as a fact, with what is added to them after a comma. */
        private List<Heard.Wanted> wanted() {
            List<Heard.Wanted> wanted = new ArrayList<>();
            for (int start = 0; start < words.size(); start = clauseEnd(start) + 1) {
                int end = clauseEnd(start);
                if (end == start || !taken.get(start, end).isEmpty() || !namesContent(start, end)) {
                    continue;
                }
                while (end + 1 < words.size() && words.get(end).text().equals(",") && ADDED.contains(words.get(end + 1).text())
                        && taken.get(end + 1, clauseEnd(end + 1)).isEmpty() && !namesKinds(end + 1, clauseEnd(end + 1))) {
                    end = clauseEnd(end + 1);
                }
                int a = words.get(start).from();
                int b = words.get(end - 1).to();
                WantedWords.read(line.substring(a, b), today).ifPresent(w -> wanted.add(new Heard.Wanted(w, a, b)));
                start = end - 1;
            }
            return wanted;
        }

        private boolean namesContent(int start, int end) {
            return clause(start, end).filter(w -> !w.kinds().isEmpty() || !w.pattern().isEmpty()).isPresent();
        }

        private boolean namesKinds(int start, int end) {
            return clause(start, end).filter(w -> !w.kinds().isEmpty()).isPresent();
        }

        private Optional<WantedLine> clause(int start, int end) {
            return WantedWords.read(line.substring(words.get(start).from(), words.get(end - 1).to()), today);
        }

        private List<Heard.Fact> lastOfEach() {
            Map<String, Heard.Fact> kept = new LinkedHashMap<>();
            facts.stream().sorted((a, b) -> Integer.compare(a.from(), b.from())).forEach(f -> {
                String key = single.contains(f.code()) ? f.code() : f.code() + "=" + f.value();
                kept.remove(key);
                kept.put(key, f);
            });
            return List.copyOf(kept.values());
        }
    }
}
