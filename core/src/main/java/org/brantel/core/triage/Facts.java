package org.brantel.core.triage;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Coded statements about a case. An observed fact outweighs a told one with the same code; {@code unknown} is a value
 * of every code and says only that the question was asked.
 */
public final class Facts {

    public static final String UNKNOWN = "unknown";

    private final TreeMap<String, SortedSet<String>> told = new TreeMap<>();
    private final TreeMap<String, SortedSet<String>> observed = new TreeMap<>();

    /** A fact that does not belong to the protocol; the message names the nearest known one. */
    public static final class UnknownFact extends IllegalArgumentException {
        private static final long serialVersionUID = 1L;

        UnknownFact(String message) {
            super(message);
        }
    }

    private Facts() {}

    /** @throws UnknownFact for a code or value that the protocol does not have */
    public static Facts of(
            Map<String, ? extends Iterable<String>> told,
            Map<String, ? extends Iterable<String>> observed,
            Protocol protocol) {
        Facts facts = new Facts();
        told.forEach((code, values) -> put(facts.told, protocol, code, values));
        observed.forEach((code, values) -> put(facts.observed, protocol, code, values));
        return facts;
    }

    private static void put(
            Map<String, SortedSet<String>> into, Protocol protocol, String code, Iterable<String> values) {
        Protocol.FactCode known = protocol.fact(code)
                .orElseThrow(() -> new UnknownFact("There is no fact '" + code
                        + "'; the nearest is '"
                        + Nearest.of(
                                code,
                                protocol.facts().stream()
                                        .map(Protocol.FactCode::code)
                                        .toList())
                        + "'."));
        SortedSet<String> set = new TreeSet<>();
        for (String value : values) {
            known.check(value);
            set.add(value);
        }
        if (set.size() > 1 && !known.many()) {
            throw new UnknownFact("The fact '" + code + "' holds one value, not " + set.size() + ": " + set + ".");
        }
        into.put(code, set);
    }

    /** The values that count for a code; empty when it was never asked or the answer is not known. */
    Set<String> values(String code) {
        Set<String> seen = known(observed.get(code));
        return seen.isEmpty() ? known(told.get(code)) : seen;
    }

    private static Set<String> known(@Nullable SortedSet<String> values) {
        if (values == null) {
            return Set.of();
        }
        Set<String> known = new LinkedHashSet<>(values);
        known.remove(UNKNOWN);
        return known;
    }

    public boolean has(String code, String value) {
        return values(code).contains(value);
    }

    /** Asked at least once, whatever the answer. */
    boolean isAsked(String code) {
        return told.containsKey(code) || observed.containsKey(code);
    }

    public boolean isObserved(String code) {
        return !known(observed.get(code)).isEmpty();
    }

    /** Codes whose answer is 'unknown'. */
    List<String> unknownCodes() {
        Set<String> codes = new TreeSet<>(told.keySet());
        codes.addAll(observed.keySet());
        return codes.stream().filter(c -> values(c).isEmpty()).toList();
    }

    /** These facts and one more told answer; for finding out what a question would change. */
    Facts with(String code, String value) {
        Facts more = new Facts();
        more.told.putAll(told);
        more.observed.putAll(observed);
        more.told.put(code, new TreeSet<>(Set.of(value)));
        return more;
    }

    private static String words(Protocol protocol, String code, Set<String> values) {
        return values.stream().map(v -> protocol.say(code, v)).collect(Collectors.joining(", "));
    }

    /**
     * Where what was observed differs from what was told, under the same code or under the one that it checks: both in
     * words, by what they are about.
     */
    Map<String, String> conflicts(Protocol protocol) {
        Map<String, String> conflicts = new LinkedHashMap<>();
        observed.forEach((code, seen) -> {
            String checked = protocol.fact(code).map(f -> f.asking().checks()).orElse(null);
            for (String told : checked == null ? List.of(code) : List.of(code, checked)) {
                Set<String> said = known(this.told.get(told));
                if (!said.isEmpty() && !said.equals(known(seen)) && !known(seen).isEmpty()) {
                    conflicts.put(
                            protocol.fact(told).map(Protocol.FactCode::label).orElse(told),
                            "told “" + words(protocol, told, said) + "”, seen “" + words(protocol, code, seen) + "”");
                }
            }
        });
        return conflicts;
    }
}
