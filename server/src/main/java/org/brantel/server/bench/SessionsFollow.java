package org.brantel.server.bench;

import org.brantel.server.intake.DeviceMove;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** What was attached as a device and read of it goes with it; images stay where they were written. */
@Component
class SessionsFollow {

    private final Attachments attachments;
    private final ImagingSessions sessions;
    private final Rechecks rechecks;

    SessionsFollow(Attachments attachments, ImagingSessions sessions, Rechecks rechecks) {
        this.attachments = attachments;
        this.sessions = sessions;
        this.rechecks = rechecks;
    }

    @EventListener
    void moved(DeviceMove move) {
        attachments.give(move.device(), move.to());
        sessions.give(move.device(), move.to());
        rechecks.give(move.device(), move.to());
    }
}
