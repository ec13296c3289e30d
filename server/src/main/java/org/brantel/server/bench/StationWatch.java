package org.brantel.server.bench;

import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.server.media.Media;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.WorkState;
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
    private final Happenings happenings;
    private final Clock clock;
    private Set<String> before = Set.of();
    private String trouble = "";

    StationWatch(
            Media media,
            ImagingSessions sessions,
            Attachments attachments,
            Bench bench,
            Happenings happenings,
            Clock clock) {
        this.media = media;
        this.sessions = sessions;
        this.attachments = attachments;
        this.bench = bench;
        this.happenings = happenings;
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
                happenings.changed(NO_CASE, Topic.BENCH);
            }
            for (ImagingSession session : sessions.findByVanishedAtIsNotNullAndState(WorkState.PAUSED)) {
                Attachment attachment =
                        attachments.findById(session.attachmentId()).orElseThrow();
                Instant vanished = session.vanishedAt();
                if (vanished != null
                        && media.isBack(attachment.medium(), attachment.view().identity(), vanished, clock.instant())) {
                    bench.resume(session.id(), Happenings.MACHINE);
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
