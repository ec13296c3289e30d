package org.brantel.server.bench;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.function.Consumer;
import org.brantel.core.health.HealthReading;
import org.brantel.core.image.DestinationFull;
import org.brantel.core.image.MapJournal;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.imaging.DeviceInUse;
import org.brantel.core.imaging.ImageInUse;
import org.brantel.core.imaging.Imager;
import org.brantel.core.imaging.ImagingResult;
import org.brantel.core.imaging.LimitReached;
import org.brantel.core.imaging.Unsound;
import org.brantel.core.source.Expected;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.server.health.HealthReadings;
import org.brantel.server.locks.Locks;
import org.brantel.server.media.Media;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.Labour;
import org.brantel.server.work.LongWork;
import org.brantel.server.work.Step;
import org.brantel.server.work.WorkRun;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/** Runs an imaging session; what it may be asked, it looks up in the records between two requests. */
@Component
class ImagingJob implements Labour<ImagingSession> {

    private static final Logger LOG = LoggerFactory.getLogger(ImagingJob.class);

    private final ImagingSessions sessions;
    private final Attachments attachments;
    private final Media media;
    private final Locks locks;
    private final ImagingEvents log;
    private final HealthReadings readings;
    private final LabRate lab;
    private final FileCopying files;
    private final Settings settings;
    private final Clock clock;

    ImagingJob(
            ImagingSessions sessions,
            Attachments attachments,
            Media media,
            Locks locks,
            ImagingEvents log,
            HealthReadings readings,
            LabRate lab,
            FileCopying files,
            Settings settings,
            Clock clock) {
        this.sessions = sessions;
        this.attachments = attachments;
        this.media = media;
        this.locks = locks;
        this.log = log;
        this.readings = readings;
        this.lab = lab;
        this.files = files;
        this.settings = settings;
        this.clock = clock;
    }

    /** The job. */
    @Configuration(proxyBeanMethods = false)
    static class Task {

        @Bean
        OneTimeTask<Long> imagingTask(LongWork work, ImagingJob job) {
            return work.define("imaging", job);
        }
    }

    @Override
    public String name() {
        return "imaging";
    }

    @Override
    public Topic topic() {
        return Topic.IMAGING;
    }

    @Override
    public ImagingSessions records() {
        return sessions;
    }

    @Override
    public String consequence() {
        return "what was read is in the image and its map, it can be resumed";
    }

    @Override
    public @Nullable Step<ImagingSession> work(WorkRun<ImagingSession> run) throws IOException {
        ImagingSession session = run.record();
        Path image = session.image().isEmpty()
                ? fresh(settings.images().resolve(run.number()), session)
                : Path.of(session.image());
        Files.createDirectories(image.getParent());
        boolean resumed = Files.exists(MapJournal.beside(image));
        Attachment attachment = attachments.findById(session.attachmentId()).orElseThrow();
        SessionWatch watch = new SessionWatch(
                run.id(), session.passes(), session.faults(), log.countFaults(run.id()), clock, new OnRecord(run));
        LockWatch lock = new LockWatch(() -> locks.untouchable(run.number(), session.deviceId()));
        SessionOrders orders = new SessionOrders(
                () -> run.serverStops() || lock.isShut(), () -> run.fresh().wish(), lab, () -> clock.instant()
                        .atZone(settings.zone()));
        if (lock.isShut() && !orders.enough()) {
            return pause(run, watch, ImagingEvent.Kind.PAUSED, lock.why())
                    .told("did not image: the device must not be touched now", of(run) + "; " + lock.why());
        }
        run.take(begin(run, watch, image, resumed));
        try {
            ImagingResult result = orders.enough() && resumed
                    ? concluded(session, image, watch, orders)
                    : read(run, attachment, image, watch, orders);
            return end(run, watch, lock, result);
        } catch (Unsound e) {
            return noted(watch, ImagingEvent.Kind.UNSOUND, Refusal.sentence(e), s -> s.stopAt(e))
                    .also(() -> files.note(session, run.number(), e))
                    .told("stopped a straight copy: the device is not sound", of(run) + "; " + e.getMessage());
        } catch (ImageInUse e) {
            // A stall let this job be taken for dead and started again; the one that was there first goes on.
            LOG.warn("Imaging session {} of {} is at work already", run.id(), run.number());
            return null;
        } catch (DestinationFull e) {
            return pause(run, watch, ImagingEvent.Kind.FULL, e.getMessage())
                    .told("paused imaging: no room for the image", Refusal.sentence(e));
        } catch (DeviceInUse e) {
            return pause(run, watch, ImagingEvent.Kind.FULL, e.getMessage())
                    .told("paused imaging: the device is in use", Refusal.sentence(e));
        } catch (SourceException.Another e) {
            return pause(run, watch, ImagingEvent.Kind.ANOTHER, e.getMessage())
                    .told("did not image: another device stands in its place", of(run) + "; " + e.getMessage());
        } catch (SourceException.Gone e) {
            boolean returns =
                    media.returnsByItself(attachment.medium(), attachment.view().identity());
            return noted(
                            watch,
                            ImagingEvent.Kind.VANISHED,
                            Refusal.sentence(e),
                            s -> s.vanish(e.getMessage(), returns ? run.now() : null))
                    .told("paused imaging: the device went away", Refusal.sentence(e));
        } catch (IOException | RuntimeException e) {
            watch.note(ImagingEvent.Kind.FAILED, String.valueOf(e.getMessage()));
            watch.flush();
            throw e;
        }
    }

    /** What another session of the same attachment read stays as it is. */
    private static Path fresh(Path folder, ImagingSession session) {
        Path image = folder.resolve("image-" + session.attachmentId() + ".img");
        boolean taken = Files.exists(image) || Files.exists(MapJournal.beside(image));
        return (taken ? folder.resolve("image-" + session.attachmentId() + "-" + session.id() + ".img") : image)
                .toAbsolutePath();
    }

    private static Step<ImagingSession> begin(
            WorkRun<ImagingSession> run, SessionWatch watch, Path image, boolean resumed) {
        String profile = run.record().profile();
        return noted(
                        watch,
                        ImagingEvent.Kind.BEGAN,
                        (resumed ? "went on" : "began") + ", profile " + profile,
                        s -> s.runInto(image))
                .told(
                        resumed ? "went on imaging" : "began imaging",
                        of(run) + ", profile " + profile + ", image " + image.getFileName());
    }

    private static Step<ImagingSession> end(
            WorkRun<ImagingSession> run, SessionWatch watch, LockWatch lock, ImagingResult result) throws IOException {
        String read = result.readBytes() + " of " + result.size() + " bytes read";
        if (result.finished()) {
            return noted(watch, ImagingEvent.Kind.FINISHED, read, s -> s.finish(result.sha256(), run.now()))
                    .told(
                            run.record().isOfFiles() ? "finished a straight copy" : "finished imaging",
                            of(run) + ", " + read + ", " + result.failedBytes() + " not"
                                    + (result.sha256() == null ? "" : ", SHA-256 " + result.sha256()))
                    .announced(new Bench.Imaged(run.number(), run.id()));
        }
        LimitReached reached = result.reached();
        if (reached != null) {
            String limit = reached.words();
            return noted(watch, ImagingEvent.Kind.LIMIT, limit, s -> s.stopAt(reached))
                    .told("stopped imaging at a limit", of(run) + ", " + limit);
        }
        if (run.serverStops()) {
            watch.flush();
            throw run.leave();
        }
        Step<ImagingSession> paused = pause(run, watch, ImagingEvent.Kind.PAUSED, lock.why());
        return lock.why() == null
                ? paused.told("paused imaging", of(run) + ", " + read)
                : paused.told(
                        "paused imaging: the device must not be touched now",
                        of(run) + ", " + read + "; " + lock.why());
    }

    private static String of(WorkRun<ImagingSession> run) {
        return "session " + run.id();
    }

    private static Step<ImagingSession> pause(
            WorkRun<ImagingSession> run, SessionWatch watch, ImagingEvent.Kind kind, @Nullable String why) {
        return noted(watch, kind, why == null ? "paused" : why, s -> s.pause(why));
    }

    /** With what the watch saw until then, and what it cannot see. */
    private static Step<ImagingSession> noted(
            SessionWatch watch, ImagingEvent.Kind kind, String words, Consumer<ImagingSession> how) {
        watch.note(kind, words);
        return Step.to(how).also(watch::flush);
    }

    private static ImagingResult concluded(ImagingSession session, Path image, SessionWatch watch, SessionOrders orders)
            throws IOException {
        Path map = MapJournal.beside(image);
        return session.isOfFiles() ? Imager.concludeKept(image, map) : Imager.conclude(image, map, watch, orders);
    }

    private ImagingResult read(
            WorkRun<ImagingSession> run, Attachment attachment, Path image, SessionWatch watch, SessionOrders orders)
            throws IOException {
        Expected expected = attachment.expected();
        CareProfile profile = CareProfile.ofWord(run.record().profile());
        try (Source source = open(attachment, expected)) {
            Imager imager = new Imager(source, expected, image, MapJournal.beside(image), profile, watch);
            return run.record().isOfFiles() ? files.copy(imager, image, run, orders) : imager.run(orders);
        }
    }

    /** A device that does not answer when it is taken up again is away, like one that goes while it is read. */
    private Source open(Attachment attachment, Expected expected) throws IOException {
        try {
            return media.open(attachment.medium(), expected, attachment.writeBlock());
        } catch (SourceException.Another | SourceException.WriteBlockNeeded e) {
            throw e;
        } catch (SourceException e) {
            throw new SourceException.Gone(attachment.medium(), Refusal.sentence(e));
        }
    }

    /** Writes down what the watch tells. */
    private final class OnRecord implements SessionWatch.Records {
        private final WorkRun<ImagingSession> run;

        OnRecord(WorkRun<ImagingSession> run) {
            this.run = run;
        }

        @Override
        public void progress(ImagingSession.@Nullable Progress progress, long millis, List<ImagingEvent> told) {
            run.progress(s -> {
                log.saveAll(told);
                if (progress != null) {
                    s.progress(progress);
                }
                s.ranFor(millis);
            });
        }

        @Override
        public void hashing(long bytes) {
            run.progress(s -> s.hashing(bytes));
        }

        @Override
        public void resting(@Nullable String why) {
            run.progress(s -> s.rests(why, why == null ? null : run.now()));
        }

        @Override
        public void health(HealthReading reading) {
            ImagingSession session = run.record();
            readings.record(
                    new HealthReadings.Place(
                            run.number(), session.caseId(), session.deviceId(), session.attachmentId(), run.id()),
                    reading,
                    Happenings.MACHINE);
        }
    }
}
