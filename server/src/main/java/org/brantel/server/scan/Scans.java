package org.brantel.server.scan;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.time.Clock;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.estimate.Measured;
import org.brantel.core.scan.ScanMethod;
import org.brantel.server.bench.Bench;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Events;
import org.brantel.server.platform.Jobs;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Starts and stops scan sessions. */
@Service
public class Scans {

    private static final Set<ScanSession.State> AT_WORK = EnumSet.of(ScanSession.State.WAITING, ScanSession.State.RUNNING);

    private final ScanSessions sessions;
    private final Bench bench;
    private final Cases cases;
    private final CustodyService custody;
    private final Events events;
    private final Jobs jobs;
    private final OneTimeTask<Long> scanTask;
    private final Clock clock;

    Scans(ScanSessions sessions, Bench bench, Cases cases, CustodyService custody, Events events, Jobs jobs,
          OneTimeTask<Long> scanTask, Clock clock) {
        this.sessions = sessions;
        this.bench = bench;
        this.cases = cases;
        this.custody = custody;
        this.events = events;
        this.jobs = jobs;
        this.scanTask = scanTask;
        this.clock = clock;
    }

    @Transactional
    public ScanView start(String number, String method, String who) {
        try {
            ScanMethod.ofWord(method);
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput("method", e.getMessage());
        }
        long caseId = cases.id(number);
        if (sessions.existsByCaseIdAndStateIn(caseId, AT_WORK)) {
            throw Refusal.conflict("A scan of " + number + " is running; wait for it, or stop it first.");
        }
        ScanSession session = sessions.save(new ScanSession(caseId, bench.image(number).imagingId(), method, who, clock.instant()));
        cases.moveTo(number, Stage.SCANNING, who);
        custody.record(number, who, "started a scan", "session " + session.id() + ", " + method);
        jobs.start(scanTask, session.id());
        events.changed(number, "scan");
        return session.view(number);
    }

    @Transactional
    ScanView stop(long id, String who) {
        ScanSession session = sessions.findById(id).orElseThrow(() -> Refusal.missing("There is no scan session " + id + "."));
        String number = cases.number(session.caseId());
        if (!AT_WORK.contains(session.state())) {
            throw Refusal.conflict("This scan is not running, so there is nothing to stop.");
        }
        session.ask("stop");
        custody.record(number, who, "asked to stop a scan", "session " + id);
        return session.view(number);
    }

    /** Oldest first. */
    @Transactional(readOnly = true)
    public List<ScanView> sessions(String number) {
        return sessions.findByCaseIdOrderById(cases.id(number)).stream().map(s -> s.view(number)).toList();
    }

    /** The newest session of each of these cases that has one, by case number. */
    @Transactional(readOnly = true)
    public Map<String, ScanView> newest(Map<Long, String> cases) {
        return sessions.findNewest(cases.keySet()).stream().map(s -> s.view(cases.get(s.caseId()))).collect(Collectors.toMap(ScanView::caseNumber, v -> v));
    }

    /** Scans of one method that ended, newest first; for estimating others. */
    @Transactional(readOnly = true)
    public List<Measured> measured() {
        return sessions.findTop200ByStateAndMethodInOrderByIdDesc(ScanSession.State.DONE, List.of("structure", "carve")).stream()
                .map(ScanSession::measured).toList();
    }

    /** Of all cases. */
    @Transactional(readOnly = true)
    public List<ScanView> running() {
        return sessions.findByStateInOrderById(AT_WORK).stream().map(s -> s.view(cases.number(s.caseId()))).toList();
    }
}
