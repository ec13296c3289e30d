package org.brantel.core.triage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Applies a protocol to facts. Pure and deterministic. */
public final class Triage {

    private static final int NEAR = 6;

    private final Protocol protocol;

    public Triage(Protocol protocol) {
        this.protocol = protocol;
    }

    public Ranking rank(Facts facts) {
        List<Ranking.Ranked> ranking = ranking(facts);
        return new Ranking(protocol.name() + " " + protocol.version(), ranking, stopRules(facts),
                nextQuestion(facts, ranking), meanwhile(facts), facts.unknownCodes(),
                facts.conflicts().entrySet().stream().map(e -> e.getKey() + ": " + e.getValue()).toList());
    }

    private List<Ranking.Ranked> ranking(Facts facts) {
        Map<String, List<Ranking.Piece>> pieces = new LinkedHashMap<>();
        Map<String, Set<String>> barred = new LinkedHashMap<>();
        protocol.paths().forEach(p -> {
            pieces.put(p.code(), new ArrayList<>());
            barred.put(p.code(), new LinkedHashSet<>());
        });
        for (Protocol.Evidence e : protocol.evidence()) {
            List<String> because = because(e.when(), facts);
            if (because != null) {
                String fact = because.isEmpty() ? "" : because.get(0);
                boolean observed = facts.isObserved(fact.replaceFirst("=.*", ""));
                pieces.get(e.path()).add(new Ranking.Piece(fact, e.weight(), e.reason(), observed));
            }
        }
        for (Protocol.Bar bar : protocol.bars()) {
            if (because(bar.when(), facts) != null) {
                bar.paths().forEach(p -> barred.get(p).add(bar.reason()));
            }
        }
        List<Ranking.Ranked> ranking = new ArrayList<>();
        for (Protocol.Path path : protocol.paths()) {
            List<Ranking.Piece> all = pieces.get(path.code());
            ranking.add(new Ranking.Ranked(path.code(), path.label(), all.stream().mapToInt(Ranking.Piece::weight).sum(),
                    !barred.get(path.code()).isEmpty(), List.copyOf(barred.get(path.code())),
                    all.stream().filter(p -> p.weight() > 0).toList(), all.stream().filter(p -> p.weight() < 0)
                    .map(p -> new Ranking.Piece(p.fact(), -p.weight(), p.reason(), p.observed())).toList()));
        }
        // A stable sort: equal scores keep the protocol's order, which starts with what harms least.
        ranking.sort(Comparator.comparing(Ranking.Ranked::barred)
                .thenComparing(Ranking.Ranked::score, Comparator.reverseOrder()));
        return ranking;
    }

    private List<Ranking.Stop> stopRules(Facts facts) {
        Map<String, Ranking.Stop> stops = new LinkedHashMap<>();
        for (Protocol.StopRule rule : protocol.stopRules()) {
            List<String> because = because(rule.when(), facts);
            if (because != null) {
                stops.merge(rule.code(), new Ranking.Stop(rule.code(), because, rule.say()), Triage::joined);
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
        return protocol.meanwhile().stream().filter(a -> because(a.when(), facts) != null)
                .map(Protocol.Advice::say).distinct().toList();
    }

    /** The question whose answers differ most in which path leads, and by how much. */
    private Ranking.Question nextQuestion(Facts facts, List<Ranking.Ranked> now) {
        Ranking.Question best = null;
        int bestGain = 0;
        for (Protocol.FactCode code : protocol.facts()) {
            if (facts.isAsked(code.code()) || code.number() || code.code().startsWith("bench.")) {
                continue;
            }
            int gain = 0;
            Set<String> moved = new LinkedHashSet<>();
            List<Ranking.Answer> answers = new ArrayList<>();
            for (String value : code.values()) {
                List<Ranking.Ranked> then = ranking(facts.with(code.code(), value));
                gain = Math.max(gain, gain(now, then, moved));
                answers.add(new Ranking.Answer(value, then.get(0).path()));
            }
            if (gain > bestGain) {
                bestGain = gain;
                best = new Ranking.Question(code.code(), code.ask(), List.copyOf(moved), answers);
            }
        }
        return best;
    }

    /** How far an answer changes the lead; another leader counts more than a longer lead. */
    private static int gain(List<Ranking.Ranked> now, List<Ranking.Ranked> then, Set<String> moved) {
        String leader = now.get(0).path();
        int gain = Math.abs(lead(then, leader) - lead(now, leader));
        if (!then.get(0).path().equals(leader)) {
            gain += NEAR;
            moved.add(then.get(0).path());
        } else if (gain > 0) {
            moved.add(leader);
        }
        return gain;
    }

    private static int lead(List<Ranking.Ranked> ranking, String path) {
        int own = 0;
        int other = Integer.MIN_VALUE / 2;
        for (Ranking.Ranked r : ranking) {
            int score = r.barred() ? r.score() - 100 : r.score();
            if (r.path().equals(path)) {
                own = score;
            } else {
                other = Math.max(other, score);
            }
        }
        return Math.max(-20, Math.min(20, own - other));
    }

    private List<String> because(List<String> when, Facts facts) {
        List<String> because = new ArrayList<>();
        for (String text : when) {
            List<String> held = Condition.parse(text, protocol).holdsBecause(facts);
            if (held == null) {
                return null;
            }
            because.addAll(held);
        }
        return because;
    }
}
