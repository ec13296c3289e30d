package org.brantel.core.spoken;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Which device the facts are of, where a line names several, and which things that are said are of another one. */
final class DeviceWords {

    private static final String TYPE = "medium.type";
    private static final Set<String> OF_A_DEVICE = Set.of(
            "loss.event",
            "symptom.appears",
            "symptom.noise",
            "symptom.body",
            "symptom.spins",
            "symptom.speed",
            "crypt");
    private static final Pattern THIS_ONE = Pattern.compile(
            ".*\\b(this one|its the|it is the|thats the|the one that|this disk|this stick|this card|this "
                    + "drive|mine|ours|hers|this time|here it)\\b.*");
    private static final Pattern OTHER = Pattern.compile(
            ".*\\b(other|another|second|spare|previous|replacement|new|old|backup|brothers?|sisters?|mothers?|"
                    + "fathers?|mums?|dads?|friends?|colleagues?|neighbours?"
                    + "|cousins?|aunts?|uncles?|wifes?|husbands?|daughters?|sons?|boss(es)?|partners?|"
                    + "assistants?|last years?|somebody elses|someone elses) (\\w+ "
                    + ")?(one|disk|drive|stick|card|phone|laptop|ssd|computer|machine|hard)\\b.*");
    /** {@code not my brother's, which only beeps}. */
    private static final Pattern NOT_THEIRS =
            Pattern.compile("(and )?not (my|his|her|their|our) \\w+s( (own|old|other))?( "
                    + "(one|ones|disk|drive|stick|card|phone|laptop|which|that|what|is|was|only)\\b.*)?");

    private static final Set<String> HOST_BEFORE =
            Set.of("from", "of", "in", "inside", "into", "to", "onto", "off", "with", "by", "via", "on");
    private static final Set<String> ARTICLES = Set.of(
            "the", "a", "an", "her", "his", "their", "my", "our", "its", "your", "this", "that", "old", "new",
            "another", "other");

    private final List<Word> words;
    private final List<Heard.Fact> facts;

    DeviceWords(List<Word> words, List<Heard.Fact> facts) {
        this.words = words;
        this.facts = facts;
    }

    /** The facts without those of another device. */
    List<Heard.Fact> own() {
        List<Heard.Fact> own = new ArrayList<>(facts);
        for (int[] clause : clauses()) {
            String text = text(clause);
            boolean contrasted = OTHER.matcher(text).matches()
                    && !THIS_ONE.matcher(text).matches()
                    && clauses().stream()
                            .anyMatch(c -> c[0] >= clause[1]
                                    && THIS_ONE.matcher(text(c)).matches());
            if (contrasted || NOT_THEIRS.matcher(text).matches()) {
                own.removeIf(f -> OF_A_DEVICE.contains(f.code()) && within(f, clause));
            }
        }
        return own;
    }

    /** The mentions of devices, without hosts that only hold or met the one that is meant: the card from the phone. */
    List<Heard.Fact> mentions() {
        List<Heard.Fact> all = facts.stream().filter(f -> f.code().equals(TYPE)).toList();
        if (all.stream().map(Heard.Fact::value).distinct().count() < 2) {
            return all;
        }
        List<Heard.Fact> kept = all.stream().filter(f -> !isHost(f)).toList();
        return kept.isEmpty() ? all : kept;
    }

    /**
     * The mention that the facts are of: what the line points at, else where something is said of it, else the last.
     */
    Heard.@Nullable Fact lead(List<Heard.Fact> mentions) {
        for (Heard.Fact m : mentions) {
            int[] clause = clauseOf(m);
            if (clause != null && THIS_ONE.matcher(text(clause)).matches()) {
                return m;
            }
        }
        List<Heard.Fact> told = mentions.stream()
                .filter(m -> {
                    int[] clause = clauseOf(m);
                    return clause != null
                            && facts.stream().anyMatch(f -> OF_A_DEVICE.contains(f.code()) && within(f, clause));
                })
                .toList();
        List<Heard.Fact> some = told.isEmpty() ? mentions : told;
        return some.isEmpty() ? null : some.get(some.size() - 1);
    }

    private boolean isHost(Heard.Fact f) {
        int at = 0;
        while (at < words.size() && words.get(at).from() < f.from()) {
            at++;
        }
        int i = at - 1;
        while (i >= 0 && ARTICLES.contains(words.get(i).text())) {
            i--;
        }
        return i >= 0 && HOST_BEFORE.contains(words.get(i).text());
    }

    private boolean within(Heard.Fact f, int[] clause) {
        return f.from() >= words.get(clause[0]).from()
                && f.to() <= words.get(clause[1] - 1).to();
    }

    private int @Nullable [] clauseOf(Heard.Fact f) {
        return clauses().stream().filter(c -> within(f, c)).findFirst().orElse(null);
    }

    private List<int[]> clauses() {
        List<int[]> all = new ArrayList<>();
        int start = 0;
        for (int i = 0; i <= words.size(); i++) {
            if (i == words.size()
                    || words.get(i).isBreak()
                    || words.get(i).text().matches("but|while|whereas")) {
                if (i > start) {
                    all.add(new int[] {start, i});
                }
                start = i + 1;
            }
        }
        return all;
    }

    private String text(int[] clause) {
        return words.subList(clause[0], clause[1]).stream().map(Word::text).collect(Collectors.joining(" "));
    }
}
