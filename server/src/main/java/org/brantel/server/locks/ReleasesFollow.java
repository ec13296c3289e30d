package org.brantel.server.locks;

import org.brantel.server.intake.DeviceMove;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Releases of a device go with it. */
@Component
class ReleasesFollow {

    private final Releases records;

    ReleasesFollow(Releases records) {
        this.records = records;
    }

    @EventListener
    void moved(DeviceMove move) {
        records.give(move.device(), move.to());
    }
}
