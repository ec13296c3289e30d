package org.brantel.server.partner;

import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.server.intake.Cases;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which devices are with a partner now. */
@Service
public class Away {

    private final PartnerJobs jobs;
    private final Cases cases;

    Away(PartnerJobs jobs, Cases cases) {
        this.jobs = jobs;
        this.cases = cases;
    }

    /** Who has devices of a case, by device. */
    @Transactional(readOnly = true)
    public Map<Long, String> of(String number) {
        return jobs.findByCaseIdAndTakenBackFalseOrderByIdDesc(cases.id(number)).stream()
                .filter(PartnerJob::isOut)
                .collect(Collectors.toMap(PartnerJob::deviceId, PartnerJob::partner, (newest, older) -> newest));
    }
}
