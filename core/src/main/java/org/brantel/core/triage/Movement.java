package org.brantel.core.triage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What moved between two rankings: because facts came or went, or because a newer protocol weighs them otherwise.
 *
 * @param ledBefore the path that led; null when every path was barred
 * @param moves     paths whose score or bar changed, what changed most first
 */
public record Movement(
        @Nullable RecoveryPath ledBefore,
        @Nullable RecoveryPath leadsNow,
        List<Move> moves,
        List<String> newStops,
        List<String> goneStops) {

    /** @param came evidence that was not there before, in words; {@code went} evidence that is there no more */
    public record Move(
            RecoveryPath path,
            String label,
            int before,
            int after,
            boolean barredBefore,
            boolean barredNow,
            List<String> came,
            List<String> went) {}

    public static Movement between(Ranking before, Ranking now) {
        Map<RecoveryPath, Ranking.Ranked> old = new EnumMap<>(RecoveryPath.class);
        before.ranking().forEach(r -> old.put(r.path(), r));
        List<Move> moves = new ArrayList<>();
        for (Ranking.Ranked r : now.ranking()) {
            Ranking.Ranked was = old.getOrDefault(
                    r.path(), new Ranking.Ranked(r.path(), r.label(), 0, false, List.of(), List.of(), List.of()));
            if (was.score() != r.score() || was.barred() != r.barred()) {
                moves.add(new Move(
                        r.path(),
                        r.label(),
                        was.score(),
                        r.score(),
                        was.barred(),
                        r.barred(),
                        without(evidence(r), evidence(was)),
                        without(evidence(was), evidence(r))));
            }
        }
        moves.sort(Comparator.comparing((Move m) -> m.barredBefore() == m.barredNow())
                .thenComparing(m -> -Math.abs(m.after() - m.before())));
        return new Movement(
                before.leader(),
                now.leader(),
                List.copyOf(moves),
                without(stops(now), stops(before)),
                without(stops(before), stops(now)));
    }

    /**
     * Whether a decision that was right before may no longer be: another lead, a path newly barred, or a new stop rule.
     */
    public boolean matters() {
        return !Objects.equals(ledBefore, leadsNow)
                || !newStops.isEmpty()
                || moves.stream().anyMatch(m -> m.barredBefore() != m.barredNow());
    }

    private static Set<String> evidence(Ranking.Ranked r) {
        Set<String> all = new LinkedHashSet<>();
        r.speaksFor().forEach(p -> all.add("+" + p.weight() + " " + p.reason()));
        r.against().forEach(p -> all.add("−" + p.weight() + " " + p.reason()));
        r.barredBecause().forEach(b -> all.add("barred: " + b));
        return all;
    }

    private static Set<String> stops(Ranking r) {
        Set<String> codes = new LinkedHashSet<>();
        r.stopRules().forEach(s -> codes.add(s.code()));
        return codes;
    }

    private static List<String> without(Set<String> all, Set<String> those) {
        return all.stream().filter(e -> !those.contains(e)).toList();
    }
}
