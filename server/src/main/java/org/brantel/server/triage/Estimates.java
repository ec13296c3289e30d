package org.brantel.server.triage;

import java.io.IOException;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.core.estimate.Estimate;
import org.brantel.core.json.Json;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What was foretold when cases were decided. */
@Service
public class Estimates {

    private final Decisions decisions;

    Estimates(Decisions decisions) {
        this.decisions = decisions;
    }

    /**
     * By case. Not among them are cases whose decision kept none, and those with several that stand: which work belongs
     * to which of these is not on record.
     */
    @Transactional(readOnly = true)
    public Map<Long, Estimate> of(Collection<Long> caseIds) {
        Map<Long, List<Decision.Foretold>> standing =
                decisions.findForetold(caseIds).stream().collect(Collectors.groupingBy(Decision.Foretold::caseId));
        Map<Long, Estimate> kept = new HashMap<>();
        standing.forEach((caseId, all) -> {
            String estimate = all.get(0).estimate();
            if (all.size() == 1 && estimate != null) {
                kept.put(caseId, read(estimate));
            }
        });
        return kept;
    }

    private static Estimate read(String estimate) {
        try {
            return Json.read(estimate, Estimate.class, "estimate", "of a decision");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
