package org.brantel.server.partner;

import java.util.List;
import org.brantel.server.intake.Cases;
import org.brantel.server.work.Unfinished;
import org.springframework.stereotype.Component;

/** A device that is at a partner's. */
@Component
class PartnerUnfinished implements Unfinished {

    private final PartnerJobs jobs;
    private final Cases cases;

    PartnerUnfinished(PartnerJobs jobs, Cases cases) {
        this.jobs = jobs;
        this.cases = cases;
    }

    @Override
    public List<String> of(String caseNumber) {
        return jobs.findByCaseIdAndTakenBackFalseOrderByIdDesc(cases.id(caseNumber)).stream()
                .filter(PartnerJob::isOut)
                .map(j -> "A device of it is with " + j.partner() + "; note that it is back first.")
                .toList();
    }
}
