package org.brantel.server.partner;

import java.util.stream.Stream;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Bar;
import org.springframework.stereotype.Component;

/** A device that is at a partner's cannot be touched here, and one that came back is looked at first. */
@Component
class PartnerBar implements Bar {

    private final PartnerJobs jobs;
    private final Cases cases;

    PartnerBar(PartnerJobs jobs, Cases cases) {
        this.jobs = jobs;
        this.cases = cases;
    }

    @Override
    public Stream<String> why(CaseViews.Docket docket, CaseViews.Device device) {
        return jobs.findByCaseIdAndTakenBackFalseOrderByIdDesc(cases.id(docket.number())).stream()
                .filter(j -> j.deviceId() == device.id() && (j.isOut() || j.isToCheck()))
                .map(j -> "Device " + device.position()
                        + (j.isOut()
                                ? " is with " + j.partner() + "; note that it is back before it is touched."
                                : " came back from " + j.partner()
                                        + "; check it on the bench before anything else is done with it."));
    }
}
