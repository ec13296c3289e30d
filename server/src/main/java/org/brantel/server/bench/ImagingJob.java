package org.brantel.server.bench;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.brantel.core.health.HealthReading;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.imaging.DeviceInUse;
import org.brantel.core.imaging.ImageInUse;
import org.brantel.core.imaging.Imager;
import org.brantel.core.imaging.ImagingResult;
import org.brantel.core.source.DestinationFull;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.Sources;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.health.HealthReadings;
import org.brantel.server.intake.Cases;
import org.brantel.server.locks.Locks;
import org.brantel.server.platform.Events;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Ticker;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.transaction.support.TransactionTemplate;

/** Runs an imaging session; what it may be asked, it looks up in the records between two requests. */
@Configuration(proxyBeanMethods = false)
class ImagingJob {

    private static final Logger LOG = LoggerFactory.getLogger(ImagingJob.class);

    private final ImagingSessions sessions;
    private final Attachments attachments;
    private final Media media;
    private final Cases cases;
    private final Locks locks;
    private final CustodyService custody;
    private final ImagingEvents log;
    private final HealthReadings readings;
    private final SessionReports reports;
    private final LabRate lab;
    private final Events events;
    private final Settings settings;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final ApplicationEventPublisher publisher;

    ImagingJob(
            ImagingSessions sessions,
            Attachments attachments,
            Media media,
            Cases cases,
            Locks locks,
            CustodyService custody,
            ImagingEvents log,
            HealthReadings readings,
            SessionReports reports,
            LabRate lab,
            Events events,
            Settings settings,
            TransactionTemplate transaction,
            Clock clock,
            ApplicationEventPublisher publisher) {
        this.sessions = sessions;
        this.attachments = attachments;
        this.media = media;
        this.cases = cases;
        this.locks = locks;
        this.custody = custody;
        this.log = log;
        this.readings = readings;
        this.reports = reports;
        this.lab = lab;
        this.events = events;
        this.settings = settings;
        this.transaction = transaction;
        this.clock = clock;
        this.publisher = publisher;
    }

    @Bean
    OneTimeTask<Long> imagingTask() {
        return Jobs.define("imaging", this::run);
    }

    private void run(long id, BooleanSupplier serverStops) throws IOException {
        ImagingSession session = sessions.findById(id).orElseThrow();
        if (session.state() != ImagingSession.State.WAITING && session.state() != ImagingSession.State.RUNNING) {
            return;
        }
        String number = cases.number(session.caseId());
        Path image = settings.images()
                .resolve(number)
                .resolve("image-" + session.attachmentId() + ".img")
                .toAbsolutePath();
        Files.createDirectories(image.getParent());
        boolean resumed = Files.exists(Sources.mapBeside(image));
        change(id, number, s -> {
            s.writeTo(image);
            s.run();
        });
        Attachment attachment = attachments.findById(session.attachmentId()).orElseThrow();
        SessionWatch watch = new SessionWatch(
                id,
                session.passes(),
                session.faults(),
                log.countFaults(id),
                clock,
                new OnRecord(id, new HealthReadings.Place(number, session.caseId(), session.attachmentId(), id)));
        LockWatch lock = new LockWatch(() -> locks.state(number).untouchable());
        SessionOrders orders = new SessionOrders(
                () -> serverStops.getAsBoolean() || lock.isShut(),
                () -> sessions.findById(id).orElseThrow().wish(),
                lab,
                () -> clock.instant().atZone(settings.zone()));
        try {
            if (lock.isShut() && !orders.enough()) {
                pause(id, number, watch, ImagingEvent.Kind.PAUSED, lock.why());
                custody.record(
                        number,
                        CustodyService.MACHINE,
                        "did not image: the device must not be touched now",
                        "session " + id + "; " + lock.why());
                return;
            }
            custody.record(
                    number,
                    CustodyService.MACHINE,
                    resumed ? "went on imaging" : "began imaging",
                    "session " + id + ", profile " + session.profile() + ", image " + image.getFileName());
            watch.note(ImagingEvent.Kind.BEGAN, (resumed ? "went on" : "began") + ", profile " + session.profile());
            ImagingResult result = orders.enough() && resumed
                    ? Imager.conclude(image, Sources.mapBeside(image), watch, orders)
                    : read(attachment, image, CareProfile.ofWord(session.profile()), watch, orders);
            if (result.finished()) {
                watch.note(ImagingEvent.Kind.FINISHED, result.readBytes() + " of " + result.size() + " bytes read");
                watch.flush();
                change(id, number, s -> s.finish(result.sha256(), clock.instant()));
                custody.record(
                        number,
                        CustodyService.MACHINE,
                        "finished imaging",
                        "session " + id + ", "
                                + result.readBytes() + " of " + result.size() + " bytes read, " + result.failedBytes()
                                + " not, SHA-256 " + result.sha256());
                keepReport(id, number);
                publisher.publishEvent(new Bench.Imaged(number, id));
            } else if (result.reached() != null) {
                watch.note(ImagingEvent.Kind.LIMIT, result.reached().words());
                watch.flush();
                change(id, number, s -> s.stopAt(result.reached()));
                custody.record(
                        number,
                        CustodyService.MACHINE,
                        "stopped imaging at a limit",
                        "session " + id + ", " + result.reached().words());
            } else if (serverStops.getAsBoolean()) {
                watch.flush();
                throw new Ticker.ServerStops("imaging session " + id);
            } else {
                pause(id, number, watch, ImagingEvent.Kind.PAUSED, lock.why());
                custody.record(
                        number,
                        CustodyService.MACHINE,
                        lock.why() == null ? "paused imaging" : "paused imaging: the device must not be touched now",
                        "session " + id + ", " + result.readBytes() + " of " + result.size() + " bytes read"
                                + (lock.why() == null ? "" : "; " + lock.why()));
            }
        } catch (Ticker.ServerStops e) {
            throw e;
        } catch (ImageInUse e) {
            // A stall let this job be taken for dead and started again; the one that was there first goes on.
            LOG.warn("Imaging session {} of {} is at work already", id, number);
        } catch (DestinationFull | DeviceInUse e) {
            pause(id, number, watch, ImagingEvent.Kind.FULL, e.getMessage());
            custody.record(
                    number,
                    CustodyService.MACHINE,
                    e instanceof DestinationFull
                            ? "paused imaging: no room for the image"
                            : "paused imaging: the device is in use",
                    e.getMessage());
        } catch (SourceException.Gone e) {
            watch.note(ImagingEvent.Kind.VANISHED, e.getMessage());
            watch.flush();
            boolean returns =
                    media.returnsByItself(attachment.medium(), attachment.view().identity());
            change(id, number, s -> s.vanish(e.getMessage(), returns ? clock.instant() : null));
            custody.record(number, CustodyService.MACHINE, "paused imaging: the device went away", e.getMessage());
        } catch (IOException | RuntimeException e) {
            LOG.error(
                    "Imaging session {} of {} ended; what was read is in the image and its map, it can be resumed",
                    id,
                    number,
                    e);
            watch.note(ImagingEvent.Kind.FAILED, String.valueOf(e.getMessage()));
            watch.flush();
            change(id, number, s -> s.fail(e.getMessage(), clock.instant()));
            custody.record(number, CustodyService.MACHINE, "imaging failed", String.valueOf(e.getMessage()));
        }
    }

    /** The image is done and hashed, whatever becomes of its report. */
    private void keepReport(long id, String number) {
        try {
            reports.keep(id);
        } catch (IOException e) {
            LOG.error("The report of imaging session {} of {} could not be kept", id, number, e);
            custody.record(
                    number,
                    CustodyService.MACHINE,
                    "could not keep the report of imaging",
                    "session " + id + ": " + e.getMessage());
        }
    }

    private ImagingResult read(
            Attachment attachment, Path image, CareProfile profile, SessionWatch watch, SessionOrders orders)
            throws IOException {
        try (Source source = media.open(attachment.medium(), attachment.mayBeWritable())) {
            return new Imager(source, image, Sources.mapBeside(image), profile, watch).run(orders);
        }
    }

    private void pause(long id, String number, SessionWatch watch, ImagingEvent.Kind kind, String why) {
        watch.note(kind, why == null ? "paused" : why);
        watch.flush();
        change(id, number, s -> s.pause(why));
    }

    private void change(long id, String number, Consumer<ImagingSession> how) {
        transaction.executeWithoutResult(t -> {
            how.accept(sessions.findById(id).orElseThrow());
            events.changed(number, "imaging");
        });
    }

    /** Writes down what the watch tells. */
    private final class OnRecord implements SessionWatch.Records {
        private final long id;
        private final HealthReadings.Place place;

        OnRecord(long id, HealthReadings.Place place) {
            this.id = id;
            this.place = place;
        }

        @Override
        public void progress(ImagingSession.Progress progress, long millis, List<ImagingEvent> told) {
            change(id, place.number(), s -> {
                log.saveAll(told);
                if (progress != null) {
                    s.progress(progress);
                }
                s.ranFor(millis);
            });
        }

        @Override
        public void hashing(long bytes) {
            change(id, place.number(), s -> s.hashing(bytes));
        }

        @Override
        public void resting(String why) {
            change(id, place.number(), s -> s.rests(why, why == null ? null : clock.instant()));
        }

        @Override
        public void health(HealthReading reading) {
            readings.record(place, reading, CustodyService.MACHINE);
        }
    }
}
