package org.brantel.server.closing;

import org.brantel.server.intake.DeviceMove;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** What became of a device goes with it. */
@Component
class EndsFollow {

    private final DeviceEnds records;

    EndsFollow(DeviceEnds records) {
        this.records = records;
    }

    @EventListener
    void moved(DeviceMove move) {
        records.give(move.device(), move.to());
    }
}
