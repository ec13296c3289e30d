package org.brantel.core.spoken;

import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.triage.Protocol;
import org.jspecify.annotations.Nullable;

/**
 * Turns what is said into facts. Phrases (phrases.txt beside this package) are looked for from left to right, the
 * longest first; a phrase that is negated says the opposite where one is written down, else nothing; one that is
 * doubted or asked says nothing. Where a code holds one value, what was said last counts.
 */
public final class FreeLine {

    private static final int NEGATION_REACH = 4;
    private static final Set<String> DOUBTS = Set.of(
            "maybe",
            "perhaps",
            "might",
            "possibly",
            "probably",
            "unsure",
            "think",
            "thinks",
            "guess",
            "guesses",
            "whether",
            "if",
            "dunno",
            "unclear",
            "supposedly",
            "wonder",
            "wonders",
            "could",
            "seems",
            "believes",
            "assumes",
            "reckons",
            "suspects",
            "suspect",
            "may",
            "allegedly");
    private static final Set<String> JOINTS = Set.of("and", "but", "then", "because", "so", "although", "since");
    /** A clause that only takes back how sure the one before it was. */
    private static final Pattern AFTERTHOUGHT = Pattern.compile(
            "(or )?((he|she|they|i|we|it|its|but|is|was|are|am|well|really|exactly|quite|so|at|least) )*"
                    + "(not (sure|certain|remember|know|say|tell|swear|recall|really sure|quite sure|sure "
                    + "though)|unsure|no "
                    + "idea|(think|thinks|believes|guess|guesses|supposes|reckons|assumes)( "
                    + "so)?|who knows|hard to (say|tell)"
                    + "|maybe|perhaps|maybe not|possibly|or not|could be wrong|may be wrong)( (that|it|any "
                    + "more|anymore|though|now|about that|either))*");
    /** A fact with one of these is what a time in the same clause belongs to. */
    private static final Set<String> HAPPENED =
            Set.of("loss.event", "symptom.appears", "symptom.noise", "symptom.body", "symptom.spins", "set.members");

    private static final String TYPE = "medium.type";
    private static final Pattern OF_A_DEVICE = Pattern.compile("(loss|symptom|since[.]use|crypt|worth|privacy).*");

    /**
     * Phrases that name devices, and all others, by the word that they begin with; by an empty one where they may begin
     * in several ways.
     */
    private final Map<String, List<Phrase>> devices = new HashMap<>();

    private final Map<String, List<Phrase>> other = new HashMap<>();
    private final Set<String> single;
    private final Spelling spelling;

    /** @throws IllegalArgumentException when the phrases speak of facts that the protocol does not have */
    public FreeLine(Protocol protocol) {
        Set<String> known = protocol.facts().stream()
                .flatMap(f -> f.values().stream().map(v -> f.code() + "=" + v))
                .collect(Collectors.toSet());
        single = protocol.facts().stream()
                .filter(f -> !f.many())
                .map(Protocol.FactCode::code)
                .collect(Collectors.toSet());
        List<Phrase> phrases = Phrase.parse(text(), known);
        for (Phrase p : phrases) {
            boolean names = !p.isSilent() && p.states().stream().allMatch(f -> f.startsWith(TYPE));
            p.starts().forEach(s -> (names ? devices : other)
                    .computeIfAbsent(s, k -> new ArrayList<>())
                    .add(p));
        }
        Set<String> right =
                phrases.stream().flatMap(p -> p.plainWords().stream()).collect(Collectors.toCollection(HashSet::new));
        right.addAll(SpokenDate.vocabulary());
        right.addAll(SpokenNumber.vocabulary());
        right.addAll(WantedWords.vocabulary());
        spelling = new Spelling(
                right,
                phrases.stream().flatMap(p -> p.stems().stream()).distinct().toList());
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
        /** Words that only keep a shorter phrase from being heard in them. */
        private final BitSet silent = new BitSet();
        /** Words taken by what is said of the device, among which it may be named. */
        private final BitSet saysOfIt = new BitSet();

        private final List<Heard.Fact> facts = new ArrayList<>();
        private final List<Heard.TakenBack> takenBack = new ArrayList<>();
        private Heard.@Nullable Capacity capacity;
        private Heard.@Nullable Deadline deadline;

        Reading(String line, LocalDate today) {
            this.line = line;
            this.today = today;
            this.words = Corrections.marked(spelling.mend(Word.of(line)));
        }

        Heard read() {
            Heard.Caller caller = CallerWords.read(line);
            caller.places().forEach(this::take);
            capacity();
            deadline();
            phrases();
            hoursSince();
            correct();
            DeviceWords devices = new DeviceWords(words, List.copyOf(facts));
            facts.retainAll(devices.own());
            List<Heard.Fact> mentions = devices.mentions();
            Heard.Fact lead = devices.lead(mentions);
            facts.removeIf(f -> f.code().equals(TYPE) && !f.equals(lead));
            List<Heard.Wanted> wanted = new WantedClauses(line, words, taken, lossDay()).find();
            List<Heard.Fact> last = lastOfEach();
            return new Heard(last, capacity, deadline, wanted, caller, others(mentions, lead), List.copyOf(takenBack));
        }

        private void take(Heard.Place place) {
            for (int i = 0; i < words.size(); i++) {
                if (words.get(i).from() < place.to() && words.get(i).to() > place.from()) {
                    taken.set(i);
                }
            }
        }

        private List<Heard.Device> others(List<Heard.Fact> mentions, Heard.@Nullable Fact lead) {
            Set<String> seen = new HashSet<>();
            return mentions.stream()
                    .filter(m -> lead != null && !m.value().equals(lead.value()) && seen.add(m.value()))
                    .map(m -> new Heard.Device(m.value(), m.from(), m.to(), m.words()))
                    .toList();
        }

        /** What is wanted was made before it was lost. */
        private LocalDate lossDay() {
            return facts.stream()
                    .filter(f -> f.code().equals("since.hours"))
                    .findFirst()
                    .map(f -> today.minusDays(Long.parseLong(f.value()) / 24))
                    .orElse(today);
        }

        /** What stands before a correction is taken back by what follows it of the same code. */
        private void correct() {
            for (int m = 0; m < words.size(); m++) {
                if (words.get(m).text().equals(Corrections.MARK)) {
                    int from = words.get(clauseStart(m, false)).from();
                    int mark = words.get(m).from();
                    int to = words.get(Math.max(m, clauseEnd(m + 1) - 1)).to();
                    Map<String, Integer> now = new HashMap<>();
                    facts.stream()
                            .filter(f -> f.from() >= mark && f.to() <= to)
                            .forEach(f -> now.merge(f.code(), f.from(), Math::min));
                    facts.stream()
                            .filter(f -> f.from() >= from && f.to() <= mark && now.containsKey(f.code()))
                            .toList()
                            .forEach(f -> takeBack(f, now.getOrDefault(f.code(), mark)));
                }
            }
        }

        private void takeBack(Heard.Fact fact, int by) {
            facts.remove(fact);
            takenBack.add(new Heard.TakenBack(fact.from(), fact.to(), fact.words(), by));
        }

        private void phrases() {
            find(other, new BitSet());
            // A device is named also within what is said of it: the stick snapped off.
            BitSet free = (BitSet) taken.clone();
            saysOfIt.stream().forEach(free::clear);
            BitSet before = (BitSet) taken.clone();
            taken.clear();
            taken.or(free);
            find(devices, silent);
            taken.or(before);
        }

        private void find(Map<String, List<Phrase>> some, BitSet not) {
            for (int at = 0; at < words.size(); at++) {
                if (taken.get(at) || silent.get(at) || not.get(at)) {
                    continue;
                }
                Phrase longest = null;
                int end = at;
                for (Phrase p : candidates(some, words.get(at).text())) {
                    int e = p.end(words, at);
                    if (e > at
                            && taken.get(at, e).isEmpty()
                            && (e > end || longest != null && e == end && p.weight() > longest.weight())) {
                        longest = p;
                        end = e;
                    }
                }
                if (longest != null) {
                    boolean answered = isAnswered(end);
                    boolean negated = negatedBefore(at) || answered && deniedAnswer(end);
                    List<String> states =
                            !answered && doubted(at, end) ? List.of() : negated ? longest.negated() : longest.states();
                    int from = negated && negatedBefore(at) && !states.isEmpty() ? negator(at) : at;
                    for (String fact : states) {
                        String[] parts = fact.split("=");
                        add(parts[0], parts[1], from, end);
                    }
                    (longest.isSilent() ? silent : taken).set(from, end);
                    if (longest.states().stream()
                            .anyMatch(f -> OF_A_DEVICE.matcher(f).matches())) {
                        saysOfIt.set(from, end);
                    }
                    at = end - 1;
                }
            }
        }

        private List<Phrase> candidates(Map<String, List<Phrase>> some, String word) {
            return Stream.concat(some.getOrDefault(word, List.of()).stream(), some.getOrDefault("", List.of()).stream())
                    .toList();
        }

        private void add(String code, String value, int from, int end) {
            int a = words.get(from).from();
            int b = words.get(end - 1).to();
            facts.add(new Heard.Fact(code, value, a, b, line.substring(a, b)));
        }

        /** Where the clause of a word begins: after a break or a joint. */
        private int clauseStart(int at, boolean joints) {
            int i = at;
            while (i > 0
                    && !words.get(i - 1).isBreak()
                    && !(joints && JOINTS.contains(words.get(i - 1).text()))) {
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
                if ((i < from || i >= end)
                        && !taken.get(i)
                        && (DOUBTS.contains(w)
                                || w.matches("sure|know|certain")
                                        && i > 0
                                        && words.get(i - 1).negates())) {
                    return true;
                }
            }
            return stop < words.size() && words.get(stop).text().equals("?") || isAfterthought(stop + 1);
        }

        /** {@code a backup? no, none}: a question with its answer. */
        private boolean isAnswered(int end) {
            int stop = clauseEnd(end);
            return stop + 1 < words.size()
                    && words.get(stop).text().equals("?")
                    && words.get(stop + 1).text().matches("no|none|nope|never|not|yes|yeah|yep")
                    && !isAfterthought(stop + 1);
        }

        private boolean deniedAnswer(int end) {
            return words.get(clauseEnd(end) + 1).text().matches("no|none|nope|never|not");
        }

        private boolean isAfterthought(int start) {
            int stop = start < words.size() ? clauseEnd(start) : start;
            return stop > start
                    && AFTERTHOUGHT
                            .matcher(words.subList(start, stop).stream()
                                    .map(Word::text)
                                    .collect(Collectors.joining(" ")))
                            .matches();
        }

        /**
         * {@code 2 TB}, {@code two terabytes}, {@code 500 gig}; not {@code 300 GB of data}, which is not the device's.
         */
        private void capacity() {
            for (int at = 0; at < words.size(); at++) {
                Capacity.Said said = words.get(at).isBreak() || taken.get(at) ? null : Capacity.said(words, at);
                if (said == null) {
                    continue;
                }
                int end = at + said.words();
                boolean possible = said.bytes().signum() > 0 && said.bytes().compareTo(new BigDecimal("1e15")) <= 0;
                if (possible
                        && (capacity == null || isCorrected(capacity.to(), at))
                        && isOfTheDevice(at, end)
                        && !doubted(at, end)) {
                    int a = words.get(at).from();
                    int b = words.get(end - 1).to();
                    if (capacity != null) {
                        takenBack.add(new Heard.TakenBack(capacity.from(), capacity.to(), capacity.words(), a));
                    }
                    capacity = new Heard.Capacity(said.bytes().longValue(), a, b, line.substring(a, b));
                    taken.set(at, end);
                }
                at = end - 1;
            }
        }

        /** Whether a correction stands between a place in the line and a word. */
        private boolean isCorrected(int after, int at) {
            return words.subList(0, at).stream().anyMatch(w -> w.text().equals(Corrections.MARK) && w.from() >= after);
        }

        private boolean isOfTheDevice(int at, int end) {
            String next = end < words.size() ? words.get(end).text() : "";
            String before = at > 0 ? words.get(at - 1).text() : "";
            return !next.matches("of|worth|free|used|copied|lost|missing|gone|deleted|file|files")
                    && !before.matches("lost|deleted|copied|over|than|least|only|another|about|missing");
        }

        private void deadline() {
            new DeadlineWords(words, today)
                    .find()
                    .filter(due -> taken.get(due.from(), due.to()).isEmpty())
                    .ifPresent(due -> {
                        int a = words.get(due.from()).from();
                        int b = words.get(due.to() - 1).to();
                        deadline = new Heard.Deadline(due.day(), a, b, line.substring(a, b));
                        taken.set(due.from(), due.to());
                        DeadlineWords.Due before = due.instead();
                        if (before != null) {
                            int from = words.get(before.from()).from();
                            int to = words.get(before.to() - 1).to();
                            takenBack.add(new Heard.TakenBack(from, to, line.substring(from, to), a));
                        }
                    });
        }

        /** A past time in a clause that says what happened. */
        private void hoursSince() {
            Heard.Fact found = null;
            for (int at = 0; at < words.size(); at++) {
                String before = at > 0 ? words.get(at - 1).text() : "";
                boolean corrects = found != null && before.equals(Corrections.MARK);
                Optional<SpokenDate> date = taken.get(at)
                                || found != null && !corrects
                                || before.matches("since|from|by|until|before|of|to")
                        ? Optional.empty()
                        : SpokenDate.at(words, at, today, false);
                if (date.isPresent() && taken.get(at, at + date.get().words()).isEmpty()) {
                    int end = at + date.get().words();
                    boolean exact = date.get().from().equals(date.get().to());
                    if (exact
                            && !date.get().from().isAfter(today)
                            && (corrects || saysWhatHappened(at, end) && !doubted(at, end))) {
                        if (found != null) {
                            takeBack(found, words.get(at).from());
                        }
                        add("since.hours", Long.toString(hours(at, end, date.get())), at, end);
                        found = facts.get(facts.size() - 1);
                        taken.set(at, end);
                    }
                    at = end - 1;
                }
            }
        }

        private long hours(int at, int end, SpokenDate date) {
            if (words.get(end - 1).text().equals("ago")
                    && words.get(end - 2).text().startsWith("hour")) {
                return SpokenNumber.at(words, at)
                        .map(n -> Math.round(n.value()))
                        .orElse(1L);
            }
            return 24 * ChronoUnit.DAYS.between(date.from(), today);
        }

        private boolean saysWhatHappened(int at, int end) {
            int from = words.get(clauseStart(at, false)).from();
            int to = words.get(Math.max(end, clauseEnd(at)) - 1).to();
            return facts.stream().anyMatch(f -> HAPPENED.contains(f.code()) && f.from() >= from && f.to() <= to);
        }

        private List<Heard.Fact> lastOfEach() {
            Map<String, Heard.Fact> kept = new LinkedHashMap<>();
            facts.stream().sorted((a, b) -> Integer.compare(a.from(), b.from())).forEach(f -> {
                String key = single.contains(f.code()) ? f.code() : f.code() + "=" + f.value();
                Heard.Fact before = kept.remove(key);
                if (before != null && !before.value().equals(f.value())) {
                    takenBack.add(new Heard.TakenBack(before.from(), before.to(), before.words(), f.from()));
                }
                kept.put(key, f);
            });
            return List.copyOf(kept.values());
        }
    }
}
