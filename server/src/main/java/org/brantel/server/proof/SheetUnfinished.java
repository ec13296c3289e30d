package org.brantel.server.proof;

import java.util.List;
import org.brantel.server.intake.Cases;
import org.brantel.server.work.Unfinished;
import org.springframework.stereotype.Component;

/** Small pictures that are being drawn. */
@Component
class SheetUnfinished implements Unfinished {

    private final SheetRuns runs;
    private final Cases cases;

    SheetUnfinished(SheetRuns runs, Cases cases) {
        this.runs = runs;
        this.cases = cases;
    }

    @Override
    public List<String> of(String caseNumber) {
        return runs.findFirstByCaseIdOrderByIdDesc(cases.id(caseNumber)).stream()
                .filter(run -> run.state().isAtWork())
                .map(run -> "Its small pictures are being drawn; pause that first.")
                .toList();
    }
}
