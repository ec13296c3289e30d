package org.brantel.core.question;

import java.util.Map;
import java.util.Set;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.jspecify.annotations.Nullable;

/** How it was found, how intact it is, and what the lab did with it: {@code deleted}, {@code whole}, {@code chosen}. */
final class StatePhrase implements Reading.Phrase {

    private static final Map<String, Origin> ORIGINS =
            Map.of("live", Origin.LIVE, "deleted", Origin.DELETED, "earlier", Origin.EARLIER, "carved", Origin.CARVED);
    private static final Map<String, Set<Prognosis>> PROGNOSES = Map.of(
            "whole", Set.of(Prognosis.WHOLE),
            "intact", Set.of(Prognosis.WHOLE),
            "gapped", Set.of(Prognosis.GAPPED),
            "doubtful", Set.of(Prognosis.DOUBTFUL),
            "overwritten", Set.of(Prognosis.OVERWRITTEN),
            "damaged", Set.of(Prognosis.GAPPED, Prognosis.DOUBTFUL));

    @Override
    public Reading.@Nullable Read at(Reading q, int i) {
        String word = q.word(i);
        Origin origin = ORIGINS.get(word);
        if (origin != null) {
            int used = origin == Origin.EARLIER && q.is(i + 1, "than") ? 0 : 1;
            return used == 0 ? null : found(origin, used);
        }
        if (PROGNOSES.containsKey(word)) {
            Set<Prognosis> meant = PROGNOSES.get(word);
            return new Reading.Read(
                    Facet.PROGNOSIS,
                    new Condition.Intact(meant),
                    1,
                    meant.size() > 1
                            ? "gapped or doubtful"
                            : meant.iterator().next().word());
        }
        if (word.matches("chosen|selected")) {
            return new Reading.Read(Facet.CHOSEN, new Condition.Chosen(), 1, "chosen for recovery");
        }
        return several(q, i);
    }

    private static Reading.@Nullable Read several(Reading q, int i) {
        int by = q.is(i, "found") ? 1 : 0;
        if (q.is(i + by, "by") && q.is(i + by + 1, "(its|their)") && q.is(i + by + 2, "contents?")) {
            return found(Origin.CARVED, by + 3);
        }
        if (q.is(i + by, "by") && q.is(i + by + 1, "contents?")) {
            return found(Origin.CARVED, by + 2);
        }
        if (q.is(i, "from") && q.is(i + 1, "before") && q.is(i + 2, "(a|the)") && q.is(i + 3, "format")) {
            return found(Origin.EARLIER, 4);
        }
        int in = q.is(i, "in|from|inside") ? 1 : 0;
        int the = q.is(i + in, "the") ? 1 : 0;
        if (q.is(i, "trashed") || in == 1 && q.is(i + in + the, "trash|bin")) {
            return new Reading.Read(
                    Facet.TRASHED, new Condition.Trashed(), 1 + (q.is(i, "trashed") ? 0 : in + the), "in the trash");
        }
        int nameless = q.is(i, "nameless|unnamed")
                ? 1
                : q.is(i, "no") && q.is(i + 1, "names?")
                        ? 2
                        : q.is(i, "without") && q.is(i + 1, "names?")
                                ? 2
                                : q.is(i, "without") && q.is(i + 1, "an?") && q.is(i + 2, "name") ? 3 : 0;
        return nameless == 0
                ? null
                : new Reading.Read(Facet.NAMELESS, new Condition.Nameless(), nameless, "named by no record");
    }

    private static Reading.Read found(Origin origin, int used) {
        return new Reading.Read(
                Facet.ORIGIN,
                new Condition.Found(origin),
                used,
                switch (origin) {
                    case LIVE -> "live";
                    case DELETED -> "deleted";
                    case EARLIER -> "from before a format";
                    case CARVED -> "found by content";
                });
    }
}
