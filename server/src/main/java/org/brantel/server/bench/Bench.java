package org.brantel.server.bench;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.source.Identity;
import org.brantel.core.source.IdentityCheck;
import org.brantel.core.source.MapJournal;
import org.brantel.core.source.Range;
import org.brantel.core.source.Source;
import org.brantel.core.source.Sources;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Events;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Refusal;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Attaches media to cases and starts, pauses and resumes imaging sessions. */
@Service
public class Bench {

    /** An image that a case has. */
    public record Image(long imagingId, Path file, long size, long readBytes, String sha256) { }

    private static final Set<ImagingSession.State> AT_WORK = EnumSet.of(ImagingSession.State.WAITING, ImagingSession.State.RUNNING);

    private final Attachments attachments;
    private final ImagingSessions sessions;
    private final Media media;
    private final Cases cases;
    private final CustodyService custody;
    private final Events events;
    private final Jobs jobs;
    private final OneTimeTask<Long> imagingTask;
    private final Clock clock;

    Bench(Attachments attachments, ImagingSessions sessions, Media media, Cases cases, CustodyService custody,
          Events events, Jobs jobs, OneTimeTask<Long> imagingTask, Clock clock) {
        this.attachments = attachments;
        this.sessions = sessions;
        this.media = media;
        this.cases = cases;
        this.custody = custody;
        this.events = events;
        this.jobs = jobs;
        this.imagingTask = imagingTask;
        this.clock = clock;
    }

    /** Compares a medium with the case's device, without attaching it. */
    IdentityCheck compare(String number, String medium) throws IOException {
        CaseViews.Device device = cases.docket(number).device();
        return IdentityCheck.compare(device.identity(), identityOf(medium));
    }

    private Identity identityOf(String medium) throws IOException {
        try (Source source = Sources.open(media.specification(medium))) {
            return source.identity();
        }
    }

    /** @param decision why it is attached all the same, when its identity differs */
    @Transactional
    Attachment.View attach(String number, String medium, String decision, String who) throws IOException {
        long caseId = cases.id(number);
        Identity found = identityOf(medium);
        IdentityCheck check = compare(number, medium);
        String reason = decision == null || decision.isBlank() ? null : decision.strip();
        if (!check.matches() && reason == null) {
            throw Refusal.badInput("decision", "This is not the device of the case by its "
                    + check.lines().stream().filter(l -> l.verdict() == IdentityCheck.Verdict.DIFFERS)
                    .map(IdentityCheck.Line::what).reduce((a, b) -> a + " and " + b).orElse("identity")
                    + "; nothing is read until you write down why it is attached all the same.");
        }
        standing(caseId).ifPresent(a -> {
            if (sessions.existsByAttachmentIdAndStateIn(a.id(), AT_WORK)) {
                throw Refusal.conflict("A medium of this case is being read; pause that session before attaching another.");
            }
            a.detach(clock.instant());
        });
        Attachment attachment = attachments.save(new Attachment(caseId, medium, found, check.matches(), reason, who, clock.instant()));
        custody.record(number, who, check.matches() ? "attached the device, identity equal"
                : "attached a device although its identity differs", medium + ", serial "
                + (found.serial().isEmpty() ? "not given" : found.serial()) + ", " + found.size() + " bytes"
                + (reason == null ? "" : "; decision: " + reason));
        events.changed(number, "bench");
        return attachment.view();
    }

    /** Attaches a medium whose identity is the case's. @throws Refusal when it is not */
    @Transactional
    public void attach(String number, String medium, String who) throws IOException {
        attach(number, medium, null, who);
    }

    private Optional<Attachment> standing(long caseId) {
        return attachments.findFirstByCaseIdAndDetachedAtIsNullOrderByIdDesc(caseId);
    }

    @Transactional(readOnly = true)
    Optional<Attachment.View> attachment(String number) {
        return standing(cases.id(number)).map(Attachment::view);
    }

    @Transactional
    public ImagingView start(String number, String profile, String who) {
        long caseId = cases.id(number);
        try {
            CareProfile.ofWord(profile);
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput("profile", e.getMessage());
        }
        Attachment attachment = standing(caseId).orElseThrow(() ->
                Refusal.conflict("No medium is attached to " + number + "; attach one at the Bench first."));
        if (sessions.existsByAttachmentIdAndStateIn(attachment.id(), AT_WORK)) {
            throw Refusal.conflict("This medium is being read already; there is never a second session on one device.");
        }
        ImagingSession session = new ImagingSession(caseId, attachment, profile, attachment.view().identity().size(), who,
                clock.instant());
        try {
            sessions.saveAndFlush(session);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.conflict("This medium is being read already; there is never a second session on one device.");
        }
        cases.moveTo(number, Stage.IMAGING, who);
        custody.record(number, who, "started an imaging session", "session " + session.id() + ", " + attachment.medium()
                + ", profile " + profile);
        jobs.start(imagingTask, session.id());
        events.changed(number, "imaging");
        return session.view(number);
    }

    @Transactional
    ImagingView pause(long id, String who) {
        ImagingSession session = find(id);
        String number = cases.number(session.caseId());
        if (!AT_WORK.contains(session.state())) {
            throw Refusal.conflict("This session is not running, so there is nothing to pause.");
        }
        session.ask("pause");
        custody.record(number, who, "asked to pause imaging", "session " + id);
        events.changed(number, "imaging");
        return session.view(number);
    }

    @Transactional
    ImagingView resume(long id, String who) {
        ImagingSession session = find(id);
        String number = cases.number(session.caseId());
        if (AT_WORK.contains(session.state()) || session.state() == ImagingSession.State.DONE) {
            throw Refusal.conflict("This session is " + session.state().name().toLowerCase() + "; there is nothing to resume.");
        }
        session.waitAgain();
        custody.record(number, who, "resumed imaging", "session " + id);
        jobs.start(imagingTask, id);
        events.changed(number, "imaging");
        return session.view(number);
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<ImagingView> sessions(String number) {
        return sessions.findByCaseIdOrderByIdDesc(cases.id(number)).stream().map(s -> s.view(number)).toList();
    }

    /** Sessions of all cases that are waiting, running, paused or failed. */
    @Transactional(readOnly = true)
    public List<ImagingView> unfinished() {
        return sessions.findByStateInOrderById(EnumSet.complementOf(EnumSet.of(ImagingSession.State.DONE))).stream()
                .map(s -> s.view(cases.number(s.caseId()))).toList();
    }

    /** The newest image of a case that is not being written just now. @throws Refusal when there is none */
    @Transactional(readOnly = true)
    public Image image(String number) {
        ImagingSession session = sessions.findByCaseIdOrderByIdDesc(cases.id(number)).stream()
                .filter(s -> !AT_WORK.contains(s.state()) && !s.image().isEmpty()).findFirst()
                .orElseThrow(() -> Refusal.conflict("There is no image of " + number + " yet; image its device first."));
        return image(session, number);
    }

    @Transactional(readOnly = true)
    public Image image(long imagingId) {
        ImagingSession session = find(imagingId);
        return image(session, cases.number(session.caseId()));
    }

    private static Image image(ImagingSession session, String number) {
        ImagingView v = session.view(number);
        return new Image(v.id(), Path.of(session.image()), v.size(), v.readBytes(), v.sha256());
    }

    /** A stretch of the ribbon, magnified. */
    String magnified(long id, long from, long length) throws IOException {
        ImagingSession session = find(id);
        Path map = session.image().isEmpty() ? null : Sources.mapBeside(Path.of(session.image()));
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
