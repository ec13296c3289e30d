package org.brantel.server.partner;

import java.util.List;
import java.util.stream.Stream;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Bar;
import org.jspecify.annotations.Nullable;
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
    public Stream<String> why(String caseNumber, @Nullable Long device) {
        List<PartnerJob> barred = jobs.findByCaseIdAndTakenBackFalseOrderByIdDesc(cases.id(caseNumber)).stream()
                .filter(j -> j.isOut() || j.isToCheck())
                .toList();
        if (barred.isEmpty()) {
            return Stream.of();
        }
        List<CaseViews.Device> devices = cases.docket(caseNumber).said().devices();
        boolean all = devices.stream().allMatch(d -> barred.stream().anyMatch(j -> j.deviceId() == d.id()));
        return barred.stream()
                .filter(j -> device == null ? all : j.deviceId().equals(device))
                .flatMap(j -> devices.stream()
                        .filter(d -> d.id() == j.deviceId())
                        .map(d -> "Device " + d.position()
                                + (j.isOut()
                                        ? " is with " + j.partner() + "; note that it is back before it is touched."
                                        : " came back from " + j.partner()
                                                + "; check it on the bench before anything else is done with it.")));
    }
}
