package org.brantel.server.triage;

import org.brantel.server.intake.DeviceMove;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Decisions for a device alone go with it. */
@Component
class DecisionsFollow {

    private final Decisions records;

    DecisionsFollow(Decisions records) {
        this.records = records;
    }

    @EventListener
    void moved(DeviceMove move) {
        records.give(move.device(), move.to());
    }
}
