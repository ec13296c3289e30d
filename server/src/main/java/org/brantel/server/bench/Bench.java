package org.brantel.server.bench;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.Serializable;
import java.time.Clock;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.locks.Locks;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
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

    /** A device has been imaged, as far as it will be. Told after the records say so. */
    public record Imaged(String caseNumber, long imagingId) implements Serializable {}

    private final Stations stations;
    private final ImagingSessions sessions;
    private final Rechecks rechecks;
    private final Cases cases;
    private final Happenings happenings;
    private final Jobs jobs;
    private final OneTimeTask<Long> imagingTask;
    private final OneTimeTask<Long> recheckTask;
    private final Clock clock;
    private final ImagingEvents log;
    private final Steering steering;
    private final Locks locks;
    private final EarlierReading earlierReading;

    Bench(
            Stations stations,
            ImagingSessions sessions,
            Rechecks rechecks,
            Cases cases,
            Happenings happenings,
            Jobs jobs,
            OneTimeTask<Long> imagingTask,
            OneTimeTask<Long> recheckTask,
            Clock clock,
            ImagingEvents log,
            Steering steering,
            Locks locks,
            EarlierReading earlierReading) {
        this.stations = stations;
        this.sessions = sessions;
        this.rechecks = rechecks;
        this.cases = cases;
        this.happenings = happenings;
        this.jobs = jobs;
        this.imagingTask = imagingTask;
        this.recheckTask = recheckTask;
        this.clock = clock;
        this.log = log;
        this.steering = steering;
        this.locks = locks;
        this.earlierReading = earlierReading;
    }

    @Transactional
    public ImagingView start(String number, String profile, String who) {
        return start(number, null, ImagingSession.Wanted.whole(profile), null, who);
    }

    /**
     * Reads an attached device: on from where an earlier session of it ended, else from its beginning.
     *
     * @param device of the case; null for the only one that stands attached
     * @param afresh why it is read from its beginning although it was read before; null to go on
     * @throws Refusal when it was read before and cannot be gone on with, and nobody said why it is read again
     */
    @Transactional
    ImagingView start(
            String number, @Nullable Long device, ImagingSession.Wanted wanted, @Nullable String afresh, String who) {
        long caseId = cases.id(number);
        locks.touch(number);
        Steering.checked(wanted.profile());
        Attachment attachment = stations.standing(number, device)
                .orElseThrow(() ->
                        Refusal.conflict("No medium is attached to " + number + "; attach one at the Bench first."));
        locks.touch(number, attachment.deviceId());
        straight(number, attachment, wanted);
        if (stations.isBeingRead(attachment)) {
            throw Refusal.conflict("This medium is being read already; there is never a second session on one device.");
        }
        ImagingSession session = new ImagingSession(
                caseId, attachment, wanted, attachment.view().identity().size(), who, clock.instant());
        String reason = afresh == null || afresh.isBlank() ? null : afresh.strip();
        ImagingSession before = reason != null
                ? null
                : earlierReading.of(attachment).map(Bench::unfinished).orElse(null);
        if (before != null && wanted.filesOnly() != null) {
            throw Refusal.conflict("Session " + before.id()
                    + " has read a part of this device; read on into its image, or say why it is read afresh.");
        }
        if (before != null) {
            session.goingOnFrom(before);
        }
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
                "session " + session.id() + ", " + attachment.medium() + ", profile " + wanted.profile()
                        + (before == null ? "" : ", goes on from session " + before.id())
                        + (wanted.filesOnly() == null ? "" : ", files only: " + wanted.filesOnly())
                        + (reason == null ? "" : "; read afresh: " + reason),
                Topic.IMAGING);
        jobs.start(imagingTask, session.id());
        return session.view(number);
    }

    /** Files are copied where somebody decided on it, for a reason. */
    private void straight(String number, Attachment attachment, ImagingSession.Wanted wanted) {
        if (wanted.filesOnly() == null) {
            return;
        }
        CaseViews.Docket docket = cases.docket(number);
        if (docket.pathOf(docket.device(attachment.deviceId())) != RecoveryPath.STRAIGHT_COPY) {
            throw Refusal.conflict(
                    "Its recovery path is not a straight copy; decide on that in triage first, or read all of it.");
        }
        if (wanted.filesOnly().isBlank()) {
            throw Refusal.badInput("files", "Write down why its files are copied and no image of all is made.");
        }
    }

    /** A straight copy goes on as an image of all of the device, with what it has read. */
    @Transactional
    ImagingView readWhole(long id, String who) {
        ImagingSession session = find(id);
        String number = cases.number(session.caseId());
        if (!session.isOfFiles() || session.state().isAtWork() || session.state() == WorkState.DONE) {
            throw Refusal.conflict("Session " + id + " is not a straight copy that stands still.");
        }
        locks.touch(number, session.deviceId());
        session.readWhole();
        session.waitAgain();
        happenings.tell(number, who, "images the device instead of copying its files", "session " + id, Topic.IMAGING);
        jobs.start(imagingTask, id);
        return session.view(number);
    }

    private static ImagingSession unfinished(ImagingSession earlier) {
        EarlierReading.Earlier read = EarlierReading.Earlier.of(earlier);
        String session = "Session " + read.session();
        if (read.state() != WorkState.DONE) {
            throw Refusal.conflict(session + " read this device and is "
                    + read.state().word() + "; resume it, or write down why the device is read from its beginning.");
        }
        if (read.isWhole()) {
            throw Refusal.badInput(
                    "afresh",
                    session + " read all of this device; write down why it is read from its beginning again.");
        }
        return earlier;
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
        locks.touch(number, session.deviceId());
        boolean cameBack = who.equals(Happenings.MACHINE);
        if (!cameBack && session.vanishedAt() != null) {
            stations.seenAgain(session.attachmentId());
        }
        // Taken off and attached again, perhaps in another place: it is read where it stands now.
        stations.standing(session.deviceId())
                .filter(now -> now.id() != session.attachmentId() && earlierReading.isOf(session, now))
                .ifPresent(session::readAt);
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
        if (session.isOfFiles()) {
            throw Refusal.conflict(
                    "Session " + id + " copied files; each has a hash of its own, the copy as a whole has none.");
        }
        long last = sessions.findFirstByImageOrderByIdDesc(session.image()).id();
        if (last != id) {
            throw Refusal.conflict("Session " + last
                    + " went on in this image and hashes it anew; recheck that session when it is done.");
        }
        session.rechecked("Waiting for a free worker.");
        Recheck recheck = rechecks.save(new Recheck(session, who, clock.instant()));
        happenings.tell(number, who, "asked for a recheck of the image", "session " + id, Topic.IMAGING);
        jobs.start(recheckTask, recheck.id());
        return session.view(number);
    }

    private ImagingSession find(long id) {
        return sessions.findById(id).orElseThrow(() -> Refusal.missing("There is no imaging session " + id + "."));
    }
}
