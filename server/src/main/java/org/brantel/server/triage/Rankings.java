package org.brantel.server.triage;

import java.util.List;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.Triage;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.protocol.LabProtocol;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.util.ConcurrentLruCache;

/**
 * Rankings of many devices at once. They follow from facts and protocol alone, so that what was asked a moment ago, or
 * is said of the next member of a set, too, is not ranked again.
 */
@Component
class Rankings {

    /** More than a lab has undecided devices. */
    private static final int KEPT = 5_000;

    /** @param by the protocol that they were made by */
    private record Kept(Triage by, ConcurrentLruCache<List<CaseForm.Fact>, List<Ranking.Ranked>> rankings) {}

    private volatile @Nullable Kept newest;

    /** Best first. */
    List<Ranking.Ranked> of(List<CaseForm.Fact> facts, Triage inForce) {
        Kept kept = newest;
        if (kept == null || kept.by() != inForce) {
            kept = new Kept(inForce, new ConcurrentLruCache<>(KEPT, f -> ranked(f, inForce)));
            newest = kept;
        }
        return kept.rankings().get(facts);
    }

    private static List<Ranking.Ranked> ranked(List<CaseForm.Fact> facts, Triage by) {
        return List.copyOf(by.ranking(LabProtocol.facts(facts, by.protocol())));
    }
}
