package org.brantel.server.bench;

import java.io.IOException;
import java.time.Clock;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.platform.Events;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Sees media come and go, tells the screens, and lets sessions go on whose device is back. */
@Component
class StationWatch {

    private static final Logger LOG = LoggerFactory.getLogger(StationWatch.class);
    private static final String NO_CASE = "-";

    private final Media media;
    private final ImagingSessions sessions;
    private final Attachments attachments;
    private final Bench bench;
    private final Events events;
    private final Clock clock;
    private Set<String> before = Set.of();
    private String trouble = "";

    StationWatch(
            Media media, ImagingSessions sessions, Attachments attachments, Bench bench, Events events, Clock clock) {
        this.media = media;
        this.sessions = sessions;
        this.attachments = attachments;
        this.bench = bench;
        this.events = events;
        this.clock = clock;
    }

    @Scheduled(fixedDelay = 2000)
    void look() {
        try {
            Set<String> now = media.all().stream()
                    .map(m -> m.key() + " " + m.identity().serial() + " " + m.blocked())
                    .collect(Collectors.toSet());
            if (!now.equals(before)) {
                before = now;
                events.changed(NO_CASE, "bench");
            }
            for (ImagingSession session : sessions.findByVanishedAtIsNotNullAndState(ImagingSession.State.PAUSED)) {
                Attachment attachment =
                        attachments.findById(session.attachmentId()).orElseThrow();
                if (media.isBack(
                        attachment.medium(), attachment.view().identity(), session.vanishedAt(), clock.instant())) {
                    bench.resume(session.id(), CustodyService.MACHINE);
                }
            }
            trouble = "";
        } catch (IOException e) {
            if (!trouble.equals(String.valueOf(e.getMessage()))) {
                trouble = String.valueOf(e.getMessage());
                LOG.warn("The stations cannot be looked at; they are tried again every other second: {}", trouble);
            }
        }
    }
}
