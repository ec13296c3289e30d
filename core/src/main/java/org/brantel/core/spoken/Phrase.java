package org.brantel.core.spoken;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * One way to say one fact: elements that follow each other. An element is a word, a word with any ending
 * ({@code click*}), one of several ({@code [disk|drive]}), any of those or nothing ({@code the?}), a negator
 * ({@code !}), or up to three words of any kind within the clause ({@code ..}).
 *
 * @param states  the facts it states, as {@code code=value}
 * @param negated what it states when it is negated; empty when that says nothing
 */
record Phrase(List<String> states, List<String> negated, List<String> elements) {

    private static final int GAP = 3;
    /** Stands above phrases that say nothing, so that no shorter one is heard in them. */
    private static final String SILENT = "(nothing)";

    static Phrase of(List<String> states, List<String> negated, String text) {
        return new Phrase(states, negated, List.of(text.strip().split("\\s+")));
    }

    /** @return the word after the phrase, or -1 when it does not begin here */
    int end(List<Word> words, int start) {
        return end(words, start, 0);
    }

    private int end(List<Word> words, int at, int element) {
        if (element == elements.size()) {
            return at;
        }
        String e = elements.get(element);
        if (e.equals("..")) {
            for (int gap = 0; gap <= GAP; gap++) {
                int end = end(words, at + gap, element + 1);
                if (end >= 0) {
                    return end;
                }
                if (at + gap >= words.size() || words.get(at + gap).isBreak()) {
                    return -1;
                }
            }
            return -1;
        }
        boolean optional = e.endsWith("?");
        String plain = optional ? e.substring(0, e.length() - 1) : e;
        if (at < words.size() && matches(plain, words.get(at))) {
            int end = end(words, at + 1, element + 1);
            if (end >= 0) {
                return end;
            }
        }
        return optional ? end(words, at, element + 1) : -1;
    }

    private static boolean matches(String element, Word word) {
        if (word.isBreak()) {
            return false;
        }
        if (element.equals("!")) {
            return word.negates();
        }
        if (element.startsWith("[")) {
            for (String one : element.substring(1, element.length() - 1).split("\\|")) {
                if (matches(one, word)) {
                    return true;
                }
            }
            return false;
        }
        return element.endsWith("*")
                ? word.text().startsWith(element.substring(0, element.length() - 1))
                : word.text().equals(element);
    }

    /**
     * Reads a file of phrases; its format stands at its head.
     *
     * @throws IllegalArgumentException naming the line
     */
    static List<Phrase> parse(String text, Set<String> knownFacts) {
        List<Phrase> phrases = new ArrayList<>();
        List<String> states = null;
        List<String> negated = List.of();
        int number = 0;
        for (String line : text.lines().toList()) {
            number++;
            String plain = line.strip();
            if (plain.isEmpty() || plain.startsWith("#")) {
                continue;
            }
            if (!Character.isWhitespace(line.charAt(0))) {
                if (plain.equals(SILENT)) {
                    states = List.of();
                    negated = List.of();
                    continue;
                }
                String[] sides = plain.split("\\s+else\\s+");
                states = sides[0].equals(SILENT) ? List.of() : facts(sides[0], number, knownFacts);
                negated = sides.length > 1 ? facts(sides[1], number, knownFacts) : List.of();
                continue;
            }
            if (states == null) {
                throw new IllegalArgumentException("line " + number + ": phrases without a fact above them");
            }
            for (String phrase : plain.split(",")) {
                if (!phrase.isBlank()) {
                    phrases.add(checked(of(states, negated, phrase), number));
                }
            }
        }
        return List.copyOf(phrases);
    }

    private static Phrase checked(Phrase phrase, int line) {
        String first = phrase.elements.get(0);
        String last = phrase.elements.get(phrase.elements.size() - 1);
        boolean brackets = phrase.elements.stream()
                .allMatch(e -> e.startsWith("[") == e.replaceFirst("[?]$", "").endsWith("]"));
        boolean says = phrase.elements.stream().anyMatch(e -> !e.equals("..") && !e.equals("!") && !e.endsWith("?"));
        if (first.equals("..")
                || last.equals("..")
                || first.endsWith("?") && phrase.elements.indexOf("..") == 1
                || !brackets
                || !says) {
            throw new IllegalArgumentException("line " + line + ": '" + String.join(" ", phrase.elements)
                    + "' begins or ends with a gap, has an open bracket, or says nothing");
        }
        return phrase;
    }

    /** The words that it may begin with; an empty one where it may begin in other ways, too. */
    List<String> starts() {
        String first = elements.get(0);
        List<String> some = List.of(first.replaceAll("[\\[\\]]", "").split("\\|"));
        return first.endsWith("?") || some.stream().anyMatch(s -> s.endsWith("*") || s.equals("!"))
                ? List.of("")
                : some;
    }

    /** Every whole word that stands in it. */
    List<String> plainWords() {
        return elements.stream()
                .flatMap(e -> Stream.of(e.replaceAll("[\\[\\]?]", "").split("\\|")))
                .filter(w -> w.matches("\\p{L}{2,}"))
                .toList();
    }

    /** How words begin in it that may end in any way. */
    List<String> stems() {
        return elements.stream()
                .flatMap(e -> Stream.of(e.replaceAll("[\\[\\]?]", "").split("\\|")))
                .filter(w -> w.matches("\\p{L}{4,}[*]"))
                .map(w -> w.substring(0, w.length() - 1))
                .toList();
    }

    /** Whether it says nothing, negated or not. */
    boolean isSilent() {
        return states.isEmpty() && negated.isEmpty();
    }

    /** How much of it is said outright; decides between phrases of the same length. */
    int weight() {
        return (int) elements.stream().filter(e -> !e.equals("..")).count();
    }

    private static List<String> facts(String text, int line, Set<String> known) {
        List<String> facts = List.of(text.split("\\s*\\+\\s*"));
        for (String fact : facts) {
            if (!known.contains(fact)) {
                throw new IllegalArgumentException("line " + line + ": there is no fact '" + fact + "'");
            }
        }
        return facts;
    }
}
