package org.brantel.server.bench;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.file.Path;
import java.time.format.DateTimeFormatter;
import java.util.stream.Collectors;
import org.brantel.core.imaging.ImageCheck;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Ticker;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.Labour;
import org.brantel.server.work.LongWork;
import org.brantel.server.work.Step;
import org.brantel.server.work.WorkRun;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/** Hashes an image again, against the hashes that were made when it was read. */
@Component
class RecheckJob implements Labour<Recheck> {

    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("d MMM, HH:mm");
    private static final int EVERY_MILLIS = 500;
    private static final int MOST_NAMED = 5;

    private final Rechecks rechecks;
    private final ImagingSessions sessions;
    private final Settings settings;

    RecheckJob(Rechecks rechecks, ImagingSessions sessions, Settings settings) {
        this.rechecks = rechecks;
        this.sessions = sessions;
        this.settings = settings;
    }

    /** The job. */
    @Configuration(proxyBeanMethods = false)
    static class Task {

        @Bean
        OneTimeTask<Long> recheckTask(LongWork work, RecheckJob job) {
            return work.define("recheck", job);
        }
    }

    @Override
    public String name() {
        return "a recheck of the image";
    }

    @Override
    public Topic topic() {
        return Topic.IMAGING;
    }

    @Override
    public Rechecks records() {
        return rechecks;
    }

    @Override
    public String consequence() {
        return "the image is as it was, recheck it again";
    }

    @Override
    public Step<Recheck> work(WorkRun<Recheck> run) throws IOException {
        long imaging = run.record().imagingId();
        run.progress(Recheck::begin);
        String words;
        try {
            ImageCheck check = check(run, Path.of(session(imaging).image()));
            words = check.isSound() ? "Every byte is what it was." : damaged(check);
        } catch (Ticker.ServerStops e) {
            throw e;
        } catch (IOException e) {
            words = "The image could not be checked: " + e.getMessage();
        }
        String said = run.now().atZone(settings.zone()).format(CLOCK) + ": " + words;
        return Step.<Recheck>to(r -> r.end(run.now()))
                .also(() -> session(imaging).rechecked(said))
                .told("rechecked the image", "session " + imaging + ": " + words);
    }

    private ImageCheck check(WorkRun<Recheck> run, Path image) throws IOException {
        Ticker ticker = new Ticker(EVERY_MILLIS);
        ImageCheck check = ImageCheck.of(
                image,
                (done, all) -> {
                    if (ticker.due()) {
                        String words = "Hashing the image again, " + 100 * done / all + " %.";
                        run.progress(r -> session(r.imagingId()).rechecked(words));
                    }
                },
                run::serverStops);
        if (check == null) {
            throw run.leave();
        }
        return check;
    }

    private static String damaged(ImageCheck check) {
        return check.damaged().size() + " stretches are not what they were, the first at "
                + check.damaged().stream()
                        .limit(MOST_NAMED)
                        .map(r -> String.valueOf(r.offset()))
                        .collect(Collectors.joining(", "))
                + ".";
    }

    private ImagingSession session(long id) {
        return sessions.findById(id).orElseThrow();
    }
}
