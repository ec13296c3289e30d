package org.brantel.core.triage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** Applies a protocol to facts. Pure and deterministic; safe for several threads. */
public final class Triage {

    private static final int NEAR = 6;

    /** A rule with its conditions parsed. */
    private record Rule<T>(List<Condition> when, T says) {
        static <T> List<Rule<T>> all(List<T> rules, Function<T, List<String>> when, Protocol protocol) {
            return rules.stream()
                    .map(r -> new Rule<>(Condition.all(when.apply(r), protocol), r))
                    .toList();
        }

        @Nullable
        List<String> because(Facts facts) {
            return Condition.allHoldBecause(when, facts);
        }
    }

    private final Protocol protocol;
    private final List<Rule<Protocol.Evidence>> evidence;
    private final List<Rule<Protocol.Bar>> bars;
    private final List<Rule<Protocol.StopRule>> stopRules;
    private final List<Rule<Protocol.Advice>> meanwhile;
    private final List<Rule<Protocol.FactCode>> questions;
    private final List<Rule<Protocol.Prospect>> prospects;

    public Triage(Protocol protocol) {
        this.protocol = protocol;
        evidence = Rule.all(protocol.evidence(), Protocol.Evidence::when, protocol);
        bars = Rule.all(protocol.bars(), Protocol.Bar::when, protocol);
        stopRules = Rule.all(protocol.stopRules(), Protocol.StopRule::when, protocol);
        meanwhile = Rule.all(protocol.meanwhile(), Protocol.Advice::when, protocol);
        questions = Rule.all(protocol.facts(), f -> f.asking().askWhen(), protocol);
        prospects = Rule.all(protocol.prospects(), Protocol.Prospect::when, protocol);
    }

    public Protocol protocol() {
        return protocol;
    }

    public Ranking rank(Facts facts) {
        return rank(facts, true);
    }

    /** Without the question, which takes a hundred times the work of all the rest; for comparing many cases. */
    public Ranking rankUnasked(Facts facts) {
        return rank(facts, false);
    }

    private Ranking rank(Facts facts, boolean ask) {
        List<Ranking.Ranked> ranking = ranking(facts);
        return new Ranking(
                name(),
                ranking,
                stopRules(facts),
                ask ? nextQuestion(facts, ranking) : null,
                meanwhile(facts),
                facts.unknownCodes(),
                facts.conflicts(protocol).entrySet().stream()
                        .map(e -> e.getKey() + ": " + e.getValue())
                        .toList());
    }

    /** Name and version of the protocol. */
    public String name() {
        return protocol.edition().name() + " " + protocol.version();
    }

    /** The ranking alone. */
    public List<Ranking.Ranked> ranking(Facts facts) {
        Map<String, List<Ranking.Piece>> pieces = new HashMap<>();
        Map<String, Set<String>> barred = new HashMap<>();
        for (Rule<Protocol.Evidence> rule : evidence) {
            List<String> because = rule.because(facts);
            if (because != null) {
                Protocol.Evidence e = rule.says();
                String fact = because.isEmpty() ? "" : because.get(0);
                boolean observed = facts.isObserved(fact.replaceFirst("=.*", ""));
                pieces.computeIfAbsent(e.path(), p -> new ArrayList<>())
                        .add(new Ranking.Piece(fact, e.weight(), e.reason(), observed));
            }
        }
        for (Rule<Protocol.Bar> bar : bars) {
            if (bar.because(facts) != null) {
                for (String path : bar.says().paths()) {
                    barred.computeIfAbsent(path, p -> new LinkedHashSet<>())
                            .add(bar.says().reason());
                }
            }
        }
        List<Ranking.Ranked> ranking = new ArrayList<>();
        for (Protocol.Path path : protocol.paths()) {
            List<Ranking.Piece> all = pieces.getOrDefault(path.code(), List.of());
            Set<String> against = barred.getOrDefault(path.code(), Set.of());
            ranking.add(new Ranking.Ranked(
                    path.is(),
                    path.label(),
                    all.stream().mapToInt(Ranking.Piece::weight).sum(),
                    !against.isEmpty(),
                    List.copyOf(against),
                    all.stream().filter(p -> p.weight() > 0).toList(),
                    all.stream()
                            .filter(p -> p.weight() < 0)
                            .map(p -> new Ranking.Piece(p.fact(), -p.weight(), p.reason(), p.observed()))
                            .toList()));
        }
        // A stable sort: equal scores keep the protocol's order, which starts with what harms least.
        ranking.sort(Comparator.comparing(Ranking.Ranked::barred)
                .thenComparing(Ranking.Ranked::score, Comparator.reverseOrder()));
        return ranking;
    }

    public List<Ranking.Stop> stopRules(Facts facts) {
        Map<String, Ranking.Stop> stops = new LinkedHashMap<>();
        for (Rule<Protocol.StopRule> rule : stopRules) {
            List<String> because = rule.because(facts);
            if (because != null) {
                String code = rule.says().code();
                stops.merge(code, new Ranking.Stop(code, because, rule.says().say()), Triage::joined);
            }
        }
        return List.copyOf(stops.values());
    }

    private static Ranking.Stop joined(Ranking.Stop a, Ranking.Stop b) {
        Set<String> because = new LinkedHashSet<>(a.because());
        because.addAll(b.because());
        return new Ranking.Stop(a.code(), List.copyOf(because), a.say());
    }

    private List<String> meanwhile(Facts facts) {
        return meanwhile.stream()
                .filter(a -> a.because(facts) != null)
                .map(a -> a.says().say())
                .distinct()
                .toList();
    }

    /** The question whose answers differ most in which path leads, and by how much. */
    private Ranking.@Nullable Question nextQuestion(Facts facts, List<Ranking.Ranked> now) {
        Ranking.Question best = null;
        int bestGain = 0;
        for (Rule<Protocol.FactCode> question : questions) {
            Protocol.FactCode code = question.says();
            if (facts.isAsked(code.code())
                    || code.number()
                    || code.code().startsWith("bench.")
                    || question.because(facts) == null) {
                continue;
            }
            int gain = 0;
            Set<RecoveryPath> moved = new LinkedHashSet<>();
            List<Ranking.Answer> answers = new ArrayList<>();
            for (String value : code.values()) {
                List<Ranking.Ranked> then = ranking(facts.with(code.code(), value));
                gain = Math.max(gain, gain(now, then, moved));
                answers.add(new Ranking.Answer(value, then.get(0).path()));
            }
            if (gain > bestGain) {
                bestGain = gain;
                best = new Ranking.Question(code.code(), code.asking().ask(), List.copyOf(moved), answers);
            }
        }
        return best;
    }

    /** How far an answer changes the lead; another leader counts more than a longer lead. */
    private static int gain(List<Ranking.Ranked> now, List<Ranking.Ranked> then, Set<RecoveryPath> moved) {
        RecoveryPath leader = now.get(0).path();
        int gain = Math.abs(lead(then, leader) - lead(now, leader));
        if (then.get(0).path() != leader) {
            gain += NEAR;
            moved.add(then.get(0).path());
        } else if (gain > 0) {
            moved.add(leader);
        }
        return gain;
    }

    private static int lead(List<Ranking.Ranked> ranking, RecoveryPath path) {
        int own = 0;
        int other = Integer.MIN_VALUE / 2;
        for (Ranking.Ranked r : ranking) {
            int score = r.barred() ? r.score() - 100 : r.score();
            if (r.path() == path) {
                own = score;
            } else {
                other = Math.max(other, score);
            }
        }
        return Math.max(-20, Math.min(20, own - other));
    }

    /** The chance in words on a path: the least of the prospects that hold, and all reasons for that one. */
    public Outlook outlook(RecoveryPath path, Facts facts) {
        List<Protocol.Prospect> holding = prospects.stream()
                .filter(p -> p.says().countsFor(path) && p.because(facts) != null)
                .map(Rule::says)
                .toList();
        return holding.stream()
                .map(Protocol.Prospect::chance)
                .min(Comparator.naturalOrder())
                .map(least -> new Outlook(
                        least,
                        holding.stream()
                                .filter(p -> p.chance() == least)
                                .map(Protocol.Prospect::reason)
                                .distinct()
                                .toList()))
                .orElse(new Outlook(Chance.FAIR, List.of("Nothing is known yet that would decide it.")));
    }

    /** @param restsOn the reasons, in words */
    public record Outlook(Chance chance, List<String> restsOn) {}
}
