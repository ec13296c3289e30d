package org.brantel.server.bench;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.io.Serializable;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.core.bytes.Range;
import org.brantel.core.estimate.Measured;
import org.brantel.core.image.MapFile;
import org.brantel.core.image.MapJournal;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.locks.Locks;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Known;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.Ask;
import org.brantel.server.work.WorkState;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Starts imaging sessions, pauses them, takes them up again, and says how they are. */
@Service
public class Bench {

    /**
     * An image that a case has.
     *
     * @param filling a session is writing it just now
     */
    public record Image(
            long imagingId,
            Path file,
            long size,
            long readBytes,
            @Nullable String sha256,
            boolean filling) {}

    /** A device has been imaged, as far as it will be. Told after the records say so. */
    public record Imaged(String caseNumber, long imagingId) implements Serializable {}

    private final Stations stations;
    private final ImagingSessions sessions;
    private final Rechecks rechecks;
    private final Cases cases;
    private final CaseLists lists;
    private final Happenings happenings;
    private final Jobs jobs;
    private final OneTimeTask<Long> imagingTask;
    private final OneTimeTask<Long> recheckTask;
    private final Clock clock;
    private final ImagingEvents log;
    private final Steering steering;
    private final Locks locks;

    Bench(
            Stations stations,
            ImagingSessions sessions,
            Rechecks rechecks,
            Cases cases,
            CaseLists lists,
            Happenings happenings,
            Jobs jobs,
            OneTimeTask<Long> imagingTask,
            OneTimeTask<Long> recheckTask,
            Clock clock,
            ImagingEvents log,
            Steering steering,
            Locks locks) {
        this.stations = stations;
        this.sessions = sessions;
        this.rechecks = rechecks;
        this.cases = cases;
        this.lists = lists;
        this.happenings = happenings;
        this.jobs = jobs;
        this.imagingTask = imagingTask;
        this.recheckTask = recheckTask;
        this.clock = clock;
        this.log = log;
        this.steering = steering;
        this.locks = locks;
    }

    @Transactional
    public ImagingView start(String number, String profile, String who) {
        return start(number, new ImagingSession.Wanted(profile, null, 0), who);
    }

    @Transactional
    ImagingView start(String number, ImagingSession.Wanted wanted, String who) {
        long caseId = cases.id(number);
        locks.touch(number);
        Steering.checked(wanted.profile());
        Attachment attachment = stations.standing(caseId)
                .orElseThrow(() ->
                        Refusal.conflict("No medium is attached to " + number + "; attach one at the Bench first."));
        if (stations.isBeingRead(attachment)) {
            throw Refusal.conflict("This medium is being read already; there is never a second session on one device.");
        }
        ImagingSession session = new ImagingSession(
                caseId, attachment, wanted, attachment.view().identity().size(), who, clock.instant());
        try {
            sessions.saveAndFlush(session);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.conflict("This medium is being read already; there is never a second session on one device.");
        }
        cases.moveTo(number, Stage.IMAGING, who);
        happenings.tell(
                number,
                who,
                "started an imaging session",
                "session " + session.id() + ", " + attachment.medium() + ", profile " + wanted.profile(),
                Topic.IMAGING);
        jobs.start(imagingTask, session.id());
        return session.view(number);
    }

    @Transactional
    ImagingView pause(long id, String who) {
        ImagingSession session = find(id);
        String number = cases.number(session.caseId());
        if (!session.state().isAtWork()) {
            throw Refusal.conflict("This session is not running, so there is nothing to pause.");
        }
        session.ask(Ask.PAUSE);
        happenings.tell(number, who, "asked to pause imaging", "session " + id, Topic.IMAGING);
        return session.view(number);
    }

    /** @param who a person, or {@link Happenings#MACHINE} when the device came back by itself */
    @Transactional
    ImagingView resume(long id, String who) {
        ImagingSession session = find(id);
        String number = cases.number(session.caseId());
        if (session.state().isAtWork() || session.state() == WorkState.DONE) {
            throw Refusal.conflict("This session is " + session.state().word() + "; there is nothing to resume.");
        }
        locks.touch(number);
        boolean cameBack = who.equals(Happenings.MACHINE);
        if (!cameBack && session.vanishedAt() != null) {
            stations.seenAgain(session.attachmentId());
        }
        session.waitAgain();
        if (cameBack) {
            log.save(new ImagingEvent(id, clock.instant(), ImagingEvent.Kind.BACK, "the same device is back"));
        }
        happenings.tell(
                number,
                who,
                cameBack ? "resumed imaging: the same device is back" : "resumed imaging",
                "session " + id,
                Topic.IMAGING);
        jobs.start(imagingTask, id);
        return session.view(number);
    }

    /** Ends a session with what it has: at once when it runs, by taking it up for its hashes when it is paused. */
    @Transactional
    ImagingView enough(long id, String who) {
        ImagingView view = steering.enough(id, who);
        ImagingSession session = find(id);
        if (!session.state().isAtWork()) {
            session.waitAgain();
            session.ask(Ask.ENOUGH);
            jobs.start(imagingTask, id);
        }
        return session.view(view.caseNumber());
    }

    /** Hashes the image of a session again; it must have been hashed. */
    @Transactional
    ImagingView recheck(long id, String who) {
        ImagingSession session = find(id);
        String number = cases.number(session.caseId());
        if (session.state() != WorkState.DONE) {
            throw Refusal.conflict("This image is not finished, so there are no hashes to check it against.");
        }
        session.rechecked("Waiting for a free worker.");
        Recheck recheck = rechecks.save(new Recheck(session, who, clock.instant()));
        happenings.tell(number, who, "asked for a recheck of the image", "session " + id, Topic.IMAGING);
        jobs.start(recheckTask, recheck.id());
        return session.view(number);
    }

    /** The map of a session's image, to be taken elsewhere. */
    @Transactional(readOnly = true)
    MapFile map(long id) throws IOException {
        Path map = find(id).image().isEmpty() ? null : MapJournal.beside(Path.of(find(id).image()));
        if (map == null || !Files.exists(map)) {
            throw Refusal.missing("Nothing was read in this session yet, so it has no map.");
        }
        return MapFile.of(map);
    }

    @Transactional(readOnly = true)
    BenchController.Events events(long id) {
        find(id);
        return new BenchController.Events(
                log.findTop400BySessionIdOrderByIdDesc(id).stream()
                        .map(ImagingEvent::view)
                        .toList(),
                log.countFaults(id));
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<ImagingView> sessions(String number) {
        return sessions.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .map(s -> s.view(number))
                .toList();
    }

    /** The newest session of each of these cases that has one, by case number. */
    @Transactional(readOnly = true)
    public Map<String, ImagingView> newest(Map<Long, String> cases) {
        return sessions.findNewest(cases.keySet()).stream()
                .map(s -> s.view(Known.in(cases, s.caseId())))
                .collect(Collectors.toMap(ImagingView::caseNumber, v -> v));
    }

    /** Sessions of this lab that ended, newest first; for estimating others. */
    @Transactional(readOnly = true)
    public List<Measured> measured() {
        List<ImagingSession> done = sessions.findTop400ByStateOrderByIdDesc(WorkState.DONE);
        Map<Long, String> media =
                lists.mediums(done.stream().map(ImagingSession::caseId).toList());
        return done.stream().map(s -> s.measured(Known.in(media, s.caseId()))).toList();
    }

    /** Sessions of all cases that are waiting, running, paused or failed. */
    @Transactional(readOnly = true)
    public List<ImagingView> unfinished() {
        return sessions.findByStateInOrderById(EnumSet.complementOf(EnumSet.of(WorkState.DONE))).stream()
                .map(s -> s.view(cases.number(s.caseId())))
                .toList();
    }

    /**
     * The newest image of a case that is not being written just now.
     *
     * @throws Refusal when there is none
     */
    @Transactional(readOnly = true)
    public Image image(String number) {
        List<Image> images = images(number);
        return images.stream()
                .filter(i -> !i.filling())
                .findFirst()
                .orElseThrow(() -> images.isEmpty()
                        ? none(number)
                        : Refusal.conflict("The image of " + number
                                + " is still being written; until it is done only its records can be scanned."));
    }

    /**
     * The newest image of a case, also while it is being written.
     *
     * @throws Refusal when there is none
     */
    @Transactional(readOnly = true)
    public Image imageAsItComes(String number) {
        return images(number).stream()
                .filter(i -> i.readBytes() > 0)
                .findFirst()
                .orElseThrow(() -> none(number));
    }

    private List<Image> images(String number) {
        return sessions.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .filter(s -> !s.image().isEmpty())
                .map(s -> image(s, number))
                .toList();
    }

    private static Refusal none(String number) {
        return Refusal.conflict("There is no image of " + number + " yet; image its device first.");
    }

    /** Whether a session is writing this image just now, or will. */
    @Transactional(readOnly = true)
    public boolean isFilling(long imagingId) {
        return find(imagingId).state().isAtWork();
    }

    @Transactional(readOnly = true)
    public Image image(long imagingId) {
        ImagingSession session = find(imagingId);
        return image(session, cases.number(session.caseId()));
    }

    private static Image image(ImagingSession session, String number) {
        ImagingView v = session.view(number);
        return new Image(
                v.id(),
                Path.of(session.image()),
                v.sum().size(),
                v.sum().readBytes(),
                v.kept().sha256(),
                session.state().isAtWork());
    }

    /** A stretch of the ribbon, magnified. */
    String magnified(long id, long from, long length) throws IOException {
        ImagingSession session = find(id);
        Path map = session.image().isEmpty() ? null : MapJournal.beside(Path.of(session.image()));
        if (map == null || !Files.exists(map)) {
            return "";
        }
        var loaded = MapJournal.load(map).map();
        if (from < 0 || length <= 0 || from > loaded.size() - 1) {
            throw Refusal.badInput("from", "The stretch lies outside the device.");
        }
        return RibbonCells.of(loaded, new Range(from, Math.min(length, loaded.size() - from)), 200);
    }

    private ImagingSession find(long id) {
        return sessions.findById(id).orElseThrow(() -> Refusal.missing("There is no imaging session " + id + "."));
    }
}
