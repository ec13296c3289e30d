package org.brantel.server.scan;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.estimate.Measured;
import org.brantel.core.scan.ScanMethod;
import org.brantel.core.scan.ScanPlan;
import org.brantel.core.scan.ScanReport;
import org.brantel.core.volume.Volume;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Known;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.brantel.server.work.Ask;
import org.brantel.server.work.WorkState;
import org.brantel.server.work.WorkTime;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Starts and stops scan sessions. */
@Service
public class Scans {

    private final ScanSessions sessions;
    private final ImagingRecords imaging;
    private final Cases cases;
    private final Happenings happenings;
    private final Jobs jobs;
    private final OneTimeTask<Long> scanTask;
    private final Settings settings;
    private final Clock clock;

    Scans(
            ScanSessions sessions,
            ImagingRecords imaging,
            Cases cases,
            Happenings happenings,
            Jobs jobs,
            OneTimeTask<Long> scanTask,
            Settings settings,
            Clock clock) {
        this.sessions = sessions;
        this.imaging = imaging;
        this.cases = cases;
        this.happenings = happenings;
        this.jobs = jobs;
        this.scanTask = scanTask;
        this.settings = settings;
        this.clock = clock;
    }

    /**
     * @param volume only this one; null for the whole medium
     * @param search look in what is free for lost volumes and for records of before a format
     * @param again  carve also what an earlier session on the same image carved
     * @param hashes hash each finding; else the catalogue hashes those that look alike
     */
    public record Scope(
            @Nullable ScanMethod method, @Nullable Integer volume, boolean search, boolean again, boolean hashes) {

        /** The whole medium, searched. */
        public static Scope whole(ScanMethod method) {
            return new Scope(method, null, true, true, false);
        }

        /** Of a session that scanned elsewhere. */
        static Scope imported() {
            return new Scope(null, null, true, true, false);
        }

        /** Only the records of what stands: the first session after imaging, or while it goes on. */
        static Scope quick() {
            return new Scope(ScanMethod.STRUCTURE, null, false, true, false);
        }

        boolean isQuick() {
            return method == ScanMethod.STRUCTURE && !search;
        }
    }

    @Transactional
    public ScanView start(String number, Scope scope, String who) {
        return start(number, null, scope, who);
    }

    /** @param deviceId whose newest image is scanned; null for the newest image of the case */
    @Transactional
    public ScanView start(String number, @Nullable Long deviceId, Scope scope, String who) {
        long caseId = cases.id(number);
        ImagingRecords.Image image =
                scope.isQuick() ? imaging.imageAsItComes(number, deviceId) : imaging.image(number, deviceId);
        noneAtWork(number, image.device());
        filesAlone(image, scope);
        if (scope.volume() != null && volumes(image.device()).stream().noneMatch(v -> v.index() == scope.volume())) {
            throw Refusal.badInput(
                    "volume",
                    "No session of " + number + " found a volume " + scope.volume() + "; scan the whole medium first.");
        }
        ScanSession session = sessions.save(new ScanSession(caseId, image, scope, who, clock.instant()));
        if (!image.filling()) {
            cases.moveTo(number, Stage.SCANNING, who);
        }
        happenings.tell(
                number,
                who,
                "started a scan",
                "session " + session.id() + ", " + which(number, image.device())
                        + (scope.method() == null ? "" : scope.method().word())
                        + (scope.volume() == null ? "" : ", volume " + scope.volume())
                        + (image.filling() ? ", while the image is written" : ""),
                Topic.SCAN);
        jobs.start(scanTask, session.id());
        return session.view(number);
    }

    private static void filesAlone(ImagingRecords.Image image, Scope scope) {
        if (image.ofFiles() && image.filling()) {
            throw Refusal.conflict("Its files are being copied; they are listed by themselves when that is done.");
        }
        if (image.ofFiles() && scope.method() != ScanMethod.STRUCTURE) {
            throw Refusal.conflict("Only its files were copied, so there is nothing else to look through; "
                    + "image the rest of the device first.");
        }
    }

    /** Two devices of a case are scanned side by side; one has one scan at a time. */
    private void noneAtWork(String number, long device) {
        if (sessions.existsByDeviceIdAndStateIn(device, WorkState.AT_WORK)) {
            throw Refusal.conflict(
                    "A scan of " + which(number, device) + number + " is running; wait for it, or stop it first.");
        }
    }

    private String which(String number, long device) {
        CaseViews.Docket docket = cases.docket(number);
        return docket.said().devices().stream()
                .filter(d -> docket.hasSeveral() && d.id() == device)
                .map(d -> d.which() + ", ")
                .findFirst()
                .orElse("");
    }

    /**
     * How much of a device's image sessions have carved for all kinds; places that several went over count once.
     *
     * @param bytes carved
     * @param of    the image's bytes
     */
    public record Carved(long bytes, long of, @Nullable String imageSha256) {}

    @Transactional(readOnly = true)
    Carved carved(String number, @Nullable Long device) {
        ImagingRecords.Image image = imaging.image(number, device);
        return new Carved(
                RangeSet.of(sessions.carvedBefore(
                                cases.id(number), image.imagingId(), ScanPlan.of(ScanMethod.CARVE), image.size()))
                        .total(),
                image.size(),
                image.sha256());
    }

    /** The same again, on the whole of it. */
    @Transactional
    ScanView repeat(long id, String who) {
        ScanSession session = find(id);
        if (session.importedFrom() != null) {
            throw Refusal.conflict("Session " + id + " was done on another machine; start one of your own instead.");
        }
        Scope scope = session.scope();
        return start(
                cases.number(session.caseId()),
                session.deviceId(),
                new Scope(scope.method(), scope.volume(), scope.search(), true, scope.hashes()),
                who);
    }

    /** @param file that was sent; moved into the session's folder */
    @Transactional
    ScanView startImport(String number, @Nullable Long device, String name, Path file, String who) throws IOException {
        long caseId = cases.id(number);
        ImagingRecords.Image image = imaging.image(number, device);
        noneAtWork(number, image.device());
        ScanSession session = sessions.save(ScanSession.imported(caseId, image, name, who, clock.instant()));
        Path folder = Files.createDirectories(settings.scans().resolve(number).resolve("scan-" + session.id()));
        Files.move(file, folder.resolve(SessionFiles.PACKED));
        cases.moveTo(number, Stage.SCANNING, who);
        happenings.tell(
                number,
                who,
                "sent in a session of another machine",
                "session " + session.id() + ", " + name,
                Topic.SCAN);
        jobs.start(scanTask, session.id());
        return session.view(number);
    }

    private ScanSession find(long id) {
        return sessions.findById(id).orElseThrow(() -> Refusal.missing("There is no scan session " + id + "."));
    }

    @Transactional(readOnly = true)
    ScanView session(long id) {
        ScanSession session = find(id);
        return session.view(cases.number(session.caseId()));
    }

    /** Whether an image has had a session since it was done, or its device has one at work. */
    @Transactional(readOnly = true)
    boolean isScanned(long imagingId) {
        return sessions.findByDeviceIdOrderById(imaging.device(imagingId)).stream()
                .anyMatch(s -> s.state().isAtWork() || s.imagingId() == imagingId && !s.early());
    }

    private List<Volume> volumes(long device) {
        List<ScanSession> all = sessions.findByDeviceIdOrderById(device);
        for (int i = all.size() - 1; i >= 0; i--) {
            Optional<ScanReport> report = all.get(i).report();
            if (report.isPresent()) {
                return report.get().volumes();
            }
        }
        return List.of();
    }

    /** What a session of a case came to; empty while it has not ended. */
    @Transactional(readOnly = true)
    Optional<ScanReport> report(String number, @Nullable Long id) {
        long caseId = cases.id(number);
        return id == null
                ? Optional.empty()
                : sessions.findById(id).filter(s -> s.caseId() == caseId).flatMap(ScanSession::report);
    }

    /** @param what pause or stop; null to go on */
    @Transactional
    ScanView ask(long id, @Nullable Ask what, String who) {
        ScanSession session = find(id);
        String number = cases.number(session.caseId());
        if (!session.state().isAtWork()) {
            throw Refusal.conflict("This scan is not running, so there is nothing to stop, pause or resume.");
        }
        session.ask(what);
        happenings.tell(
                number,
                who,
                what == null ? "let a scan go on" : "asked to " + what.word() + " a scan",
                "session " + id,
                Topic.SCAN);
        return session.view(number);
    }

    /** Oldest first. */
    @Transactional(readOnly = true)
    public List<ScanView> sessions(String number) {
        return sessions.findByCaseIdOrderById(cases.id(number)).stream()
                .map(s -> s.view(number))
                .toList();
    }

    /** The newest session of each device of these cases that has one, by case number. */
    @Transactional(readOnly = true)
    public Map<String, List<ScanView>> newest(Map<Long, String> cases) {
        return sessions.findNewest(cases.keySet()).stream()
                .map(s -> s.view(Known.in(cases, s.caseId())))
                .collect(Collectors.groupingBy(ScanView::caseNumber));
    }

    /** Scans of one method that ended, newest first; for estimating others. */
    @Transactional(readOnly = true)
    public List<Measured> measured() {
        return sessions
                .findTop200ByStateAndMethodInOrderByIdDesc(
                        WorkState.DONE, List.of(ScanMethod.STRUCTURE, ScanMethod.CARVE))
                .stream()
                // What was brought in took as long as unpacking did, which says nothing of scanning.
                .filter(s -> s.importedFrom() == null)
                .map(ScanSession::measured)
                .toList();
    }

    /** Seconds that scanning took, by case. */
    @Transactional(readOnly = true)
    public List<WorkTime> times(Collection<Long> caseIds) {
        Map<Long, Double> seconds = new HashMap<>();
        sessions.findTook(caseIds)
                .forEach(t -> seconds.merge(
                        t.caseId(), Duration.between(t.startedAt(), t.endedAt()).toMillis() / 1000.0, Double::sum));
        return seconds.entrySet().stream()
                .map(e -> new WorkTime(e.getKey(), e.getValue()))
                .toList();
    }

    /** Of all cases. */
    @Transactional(readOnly = true)
    public List<ScanView> running() {
        return sessions.findByStateInOrderById(WorkState.AT_WORK).stream()
                .map(s -> s.view(cases.number(s.caseId())))
                .toList();
    }
}
