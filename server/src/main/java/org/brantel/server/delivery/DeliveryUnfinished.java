package org.brantel.server.delivery;

import java.util.List;
import org.brantel.server.intake.Cases;
import org.brantel.server.work.Unfinished;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Component;

/** A bag that is being sealed. */
@Component
class DeliveryUnfinished implements Unfinished {

    private final DeliveryRecords records;
    private final Cases cases;

    DeliveryUnfinished(DeliveryRecords records, Cases cases) {
        this.records = records;
        this.cases = cases;
    }

    @Override
    public List<String> of(String caseNumber) {
        return records.existsByCaseIdAndStateIn(cases.id(caseNumber), WorkState.AT_WORK)
                ? List.of("A delivery of it is being sealed; wait for it.")
                : List.of();
    }
}
