package org.brantel.server.photos;

import org.brantel.server.intake.DeviceMove;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Photos of a device go with it. */
@Component
class PhotosFollow {

    private final PhotoRecords records;

    PhotosFollow(PhotoRecords records) {
        this.records = records;
    }

    @EventListener
    void moved(DeviceMove move) {
        records.give(move.device(), move.to());
    }
}
