package org.brantel.server.recovery;

import java.util.List;
import org.brantel.server.intake.Cases;
import org.brantel.server.work.Unfinished;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Component;

/** Files that are being written out. */
@Component
class RecoveryUnfinished implements Unfinished {

    private final RecoveryRuns records;
    private final Cases cases;

    RecoveryUnfinished(RecoveryRuns records, Cases cases) {
        this.records = records;
        this.cases = cases;
    }

    @Override
    public List<String> of(String caseNumber) {
        return records.existsByCaseIdAndStateIn(cases.id(caseNumber), WorkState.AT_WORK)
                ? List.of("Its files are being written out; stop the run, or wait for it.")
                : List.of();
    }
}
