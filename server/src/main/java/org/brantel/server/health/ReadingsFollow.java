package org.brantel.server.health;

import org.brantel.server.intake.DeviceMove;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Health readings of a device go with it. */
@Component
class ReadingsFollow {

    private final HealthRows records;

    ReadingsFollow(HealthRows records) {
        this.records = records;
    }

    @EventListener
    void moved(DeviceMove move) {
        records.give(move.device(), move.to());
    }
}
