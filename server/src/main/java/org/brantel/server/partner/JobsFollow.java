package org.brantel.server.partner;

import org.brantel.server.intake.DeviceMove;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Jobs of a device go with it. */
@Component
class JobsFollow {

    private final PartnerJobs records;

    JobsFollow(PartnerJobs records) {
        this.records = records;
    }

    @EventListener
    void moved(DeviceMove move) {
        records.give(move.device(), move.to());
    }
}
