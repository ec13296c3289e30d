package org.brantel.server.bench;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.format.DateTimeFormatter;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import org.brantel.core.imaging.ImageCheck;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Events;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Ticker;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.transaction.support.TransactionTemplate;

/** Hashes an image again, against the hashes that were made when it was read. */
@Configuration(proxyBeanMethods = false)
class RecheckJob {

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("d MMM, HH:mm");
    private static final int EVERY_MILLIS = 500;
    private static final int MOST_NAMED = 5;

    private final ImagingSessions sessions;
    private final Cases cases;
    private final CustodyService custody;
    private final Events events;
    private final Settings settings;
    private final TransactionTemplate transaction;
    private final Clock clock;

    RecheckJob(
            ImagingSessions sessions,
            Cases cases,
            CustodyService custody,
            Events events,
            Settings settings,
            TransactionTemplate transaction,
            Clock clock) {
        this.sessions = sessions;
        this.cases = cases;
        this.custody = custody;
        this.events = events;
        this.settings = settings;
        this.transaction = transaction;
        this.clock = clock;
    }

    @Bean
    OneTimeTask<Long> recheckTask() {
        return Jobs.define("recheck", this::run);
    }

    private void run(long id, BooleanSupplier serverStops) throws IOException {
        ImagingSession session = sessions.findById(id).orElseThrow();
        Ticker ticker = new Ticker(EVERY_MILLIS);
        String words;
        try {
            ImageCheck check = ImageCheck.of(
                    Path.of(session.image()),
                    (done, all) -> {
                        if (ticker.due()) {
                            say(id, "Hashing the image again, " + 100 * done / all + " %.");
                        }
                    },
                    serverStops);
            if (check == null) {
                throw new Ticker.ServerStops("recheck of imaging session " + id);
            }
            words = check.isSound()
                    ? "Every byte is what it was."
                    : check.damaged().size() + " stretches are not what they were, the first at "
                            + check.damaged().stream()
                                    .limit(MOST_NAMED)
                                    .map(r -> String.valueOf(r.offset()))
                                    .collect(Collectors.joining(", "))
                            + ".";
        } catch (Ticker.ServerStops e) {
            throw e;
        } catch (IOException e) {
            words = "The image could not be checked: " + e.getMessage();
        }
        say(id, clock.instant().atZone(settings.zone()).format(CLOCK) + ": " + words);
        custody.record(
                cases.number(session.caseId()),
                CustodyService.MACHINE,
                "rechecked the image",
                "session " + id + ": " + words);
    }

    private void say(long id, String words) {
        transaction.executeWithoutResult(t -> {
            ImagingSession session = sessions.findById(id).orElseThrow();
            session.rechecked(words);
            events.changed(cases.number(session.caseId()), "imaging");
        });
    }
}
