package org.brantel.server.triage;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.Triage;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.protocol.LabProtocol;

/** Rankings of many devices at once, for one answer: members of a set mostly say the same, and are ranked once. */
final class Rankings {

    private final Triage triage;
    private final Map<List<CaseForm.Fact>, List<Ranking.Ranked>> known = new HashMap<>();

    Rankings(Triage triage) {
        this.triage = triage;
    }

    /** Best first. */
    List<Ranking.Ranked> of(List<CaseForm.Fact> facts) {
        return known.computeIfAbsent(facts, f -> triage.ranking(LabProtocol.facts(f, triage.protocol())));
    }
}
