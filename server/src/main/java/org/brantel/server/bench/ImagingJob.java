package org.brantel.server.bench;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.imaging.ImageInUse;
import org.brantel.core.imaging.Imager;
import org.brantel.core.imaging.ImagingListener;
import org.brantel.core.imaging.ImagingResult;
import org.brantel.core.imaging.Planner;
import org.brantel.core.source.BlockState;
import org.brantel.core.source.DestinationFull;
import org.brantel.core.source.ReadMap;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.Sources;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Events;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.StopRequest;
import org.brantel.server.platform.Ticker;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.transaction.support.TransactionTemplate;

/** Runs an imaging session; what it may be asked, it looks up in the records between two requests. */
@Configuration(proxyBeanMethods = false)
class ImagingJob {

    private static final Logger LOG = LoggerFactory.getLogger(ImagingJob.class);
    private static final int EVERY_MILLIS = 400;

    private final ImagingSessions sessions;
    private final Attachments attachments;
    private final Media media;
    private final Cases cases;
    private final CustodyService custody;
    private final Events events;
    private final Settings settings;
    private final TransactionTemplate transaction;
    private final Clock clock;

    ImagingJob(ImagingSessions sessions, Attachments attachments, Media media, Cases cases, CustodyService custody,
               Events events, Settings settings, TransactionTemplate transaction, Clock clock) {
        this.sessions = sessions;
        this.attachments = attachments;
        this.media = media;
        this.cases = cases;
        this.custody = custody;
        this.events = events;
        this.settings = settings;
        this.transaction = transaction;
        this.clock = clock;
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
        Path image = settings.images().resolve(number).resolve("image-" + session.attachmentId() + ".img").toAbsolutePath();
        Files.createDirectories(image.getParent());
        boolean resumed = Files.exists(Sources.mapBeside(image));
        change(id, number, s -> {
            s.writeTo(image);
            s.run();
        });
        custody.record(number, CustodyService.MACHINE, resumed ? "went on imaging" : "began imaging",
                "session " + id + ", profile " + session.profile() + ", image " + image.getFileName());
        Attachment attachment = attachments.findById(session.attachmentId()).orElseThrow();
        Watch watch = new Watch(id, number);
        StopRequest stop = new StopRequest(serverStops, () -> sessions.findById(id).map(s -> s.asked() != null).orElse(true));
        try (Source source = Sources.open(media.specification(attachment.medium()))) {
            ImagingResult result = new Imager(source, image, Sources.mapBeside(image),
                    CareProfile.ofWord(session.profile()), watch).run(stop);
            watch.flush();
            if (result.finished()) {
                change(id, number, s -> s.finish(result.sha256(), clock.instant()));
                custody.record(number, CustodyService.MACHINE, "finished imaging", "session " + id + ", "
                        + result.readBytes() + " of " + result.size() + " bytes read, " + result.failedBytes()
                        + " not, SHA-256 " + result.sha256());
            } else if (serverStops.getAsBoolean()) {
                throw new Ticker.ServerStops("imaging session " + id);
            } else {
                change(id, number, s -> s.pause(null));
                custody.record(number, CustodyService.MACHINE, "paused imaging", "session " + id + ", " + result.readBytes()
                        + " of " + result.size() + " bytes read");
            }
        } catch (Ticker.ServerStops e) {
            throw e;
        } catch (ImageInUse e) {
            // A stall let this job be taken for dead and started again; the one that was there first goes on.
            LOG.warn("Imaging session {} of {} is at work already", id, number);
        } catch (SourceException.Gone | DestinationFull e) {
            watch.flush();
            change(id, number, s -> s.pause(e.getMessage()));
            custody.record(number, CustodyService.MACHINE, e instanceof DestinationFull
                    ? "paused imaging: no room for the image" : "paused imaging: the device went away", e.getMessage());
        } catch (IOException | RuntimeException e) {
            LOG.error("Imaging session {} of {} ended; what was read is in the image and its map, it can be resumed", id, number, e);
            change(id, number, s -> s.fail(e.getMessage(), clock.instant()));
            custody.record(number, CustodyService.MACHINE, "imaging failed", String.valueOf(e.getMessage()));
        }
    }

    private void change(long id, String number, Consumer<ImagingSession> how) {
        transaction.executeWithoutResult(t -> {
            how.accept(sessions.findById(id).orElseThrow());
            events.changed(number, "imaging");
        });
    }

    /** Turns what the imager does into progress on the record. */
    private final class Watch implements ImagingListener {
        private final long id;
        private final String number;
        private final Ticker ticker = new Ticker(EVERY_MILLIS);
        private final int[] rates = new int[RibbonCells.CELLS];
        private ReadMap map;
        private Planner.Step step;
        private long bytesSince;
        private long since = System.nanoTime();
        private double rate;

        Watch(long id, String number) {
            this.id = id;
            this.number = number;
        }

        @Override
        public void stepped(ReadMap current, Planner.Step made, long nanos) {
            map = current;
            step = made;
            bytesSince += made.range().length();
            double mib = made.range().length() / 1048576.0 / Math.max(nanos, 1000) * 1e9;
            int last = RibbonCells.cellOf(made.range().end() - 1, current.size(), rates.length);
            for (int c = RibbonCells.cellOf(made.range().offset(), current.size(), rates.length); c <= last; c++) {
                rates[c] = (int) Math.max(1, Math.min(100_000, mib));
            }
            if (ticker.due()) {
                flush();
            }
        }

        @Override
        public void hashing(long bytes, long size) {
            if (ticker.due()) {
                change(id, number, s -> s.hashing(bytes));
            }
        }

        void flush() {
            if (map == null) {
                return;
            }
            long now = System.nanoTime();
            rate = 0.5 * rate + 0.5 * bytesSince / Math.max(1e-3, (now - since) / 1e9);
            long millis = (now - since) / 1_000_000;
            ImagingSession.Progress progress = new ImagingSession.Progress(map.bytes(BlockState.READ),
                    map.bytes(BlockState.FAILED), map.bytes(BlockState.DEFERRED), map.ranges(BlockState.FAILED).size(),
                    step.pass().word(), step.range().offset(), rate, RibbonCells.of(map), joined());
            change(id, number, s -> {
                s.progress(progress);
                s.ranFor(millis);
            });
            bytesSince = 0;
            since = now;
        }

        private String joined() {
            StringBuilder text = new StringBuilder();
            for (int i = 0; i < rates.length; i++) {
                text.append(i == 0 ? "" : ",").append(rates[i] == 0 ? "" : rates[i]);
            }
            return text.toString();
        }
    }
}
