package org.brantel.server.triage;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.io.IOException;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.brantel.core.estimate.Estimate;
import org.brantel.core.json.Json;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.intake.CasePaths;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.OfDevices;
import org.brantel.server.intake.Stage;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/**
 * A triage that was decided, with the ranking as it was then and with what stood before, so that it can be taken back.
 */
@Entity
@Table(name = "triage_decision")
class Decision {

    /**
     * @param device that it was made for; absent for all of the case that have none of their own
     * @param leader the path that led then; null when all were barred
     */
    record View(
            long id,
            @Nullable Long device,
            RecoveryPath path,
            String reason,
            String protocol,
            @Nullable RecoveryPath leader,
            String who,
            Instant at,
            boolean undone) {}

    /** Without the ranking, which is long. */
    record Brief(Long id, Long caseId, @Nullable Long deviceId, String protocol, Instant at) {}

    /**
     * How people decided.
     *
     * @param estimate what was foretold then
     */
    record Made(RecoveryPath path, String reason, Ranking ranking, Estimate estimate, String who, Instant at) {}

    /** What was foretold for a case when it was decided. */
    record Foretold(Long caseId, @Nullable String estimate) {}

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private @Nullable Long deviceId;

    /** The case got its path by it, since no other device of it had none. */
    @Column(updatable = false)
    private boolean completes;

    @Column(updatable = false)
    private RecoveryPath path;

    @Column(updatable = false)
    private String reason;

    @Column(updatable = false)
    private String protocol;

    @Column(updatable = false)
    private String ranking;

    /** Not kept of decisions of before. */
    @Column(updatable = false)
    private @Nullable String estimate;

    @Column(updatable = false)
    private @Nullable RecoveryPath pathBefore;

    @Column(updatable = false)
    private @Nullable String reasonBefore;

    @Column(updatable = false)
    private @Nullable String protocolBefore;

    @Column(updatable = false)
    @Convert(converter = StageWord.class)
    private Stage stageBefore;

    /** Not kept of decisions of before devices had some of their own. */
    @Column(updatable = false)
    @Convert(converter = StageWord.class)
    private @Nullable Stage stageAfter;

    @Column(updatable = false)
    private String who;

    @Column(updatable = false)
    private Instant at;

    private @Nullable Instant undoneAt;

    protected Decision() {}

    /** @param device that it is made for; null for all that have no decision of their own */
    Decision(
            Long caseId,
            CaseViews.Docket before,
            CaseViews.@Nullable Device device,
            Made made,
            CasePaths.Course after) {
        CaseViews.Device.Way way = device == null
                ? new CaseViews.Device.Way(
                        before.decision().path(),
                        before.decision().pathReason(),
                        before.decision().protocol())
                : device.way();
        this.caseId = caseId;
        this.deviceId = device == null ? null : device.id();
        this.path = made.path();
        this.reason = made.reason();
        this.protocol = made.ranking().protocol();
        this.ranking = Json.write(made.ranking());
        this.estimate = Json.write(made.estimate());
        this.pathBefore = way.ownPath();
        this.reasonBefore = way.ownReason();
        this.protocolBefore = way.ownProtocol();
        this.stageBefore = before.course().stage();
        this.stageAfter = after.stage();
        this.completes = after.completes();
        this.who = made.who();
        this.at = made.at();
    }

    void undo(Instant when) {
        undoneAt = when;
    }

    boolean isUndone() {
        return undoneAt != null;
    }

    Long caseId() {
        return caseId;
    }

    RecoveryPath path() {
        return path;
    }

    String protocol() {
        return protocol;
    }

    @Nullable
    RecoveryPath pathBefore() {
        return pathBefore;
    }

    CaseViews.Device.Way wayBefore() {
        return new CaseViews.Device.Way(pathBefore, reasonBefore, protocolBefore);
    }

    @Nullable
    Long deviceId() {
        return deviceId;
    }

    boolean completes() {
        return completes;
    }

    Stage stageBefore() {
        return stageBefore;
    }

    /** Where the case stood right after it. */
    Stage stageAfter() {
        if (stageAfter != null) {
            return stageAfter;
        }
        return path == RecoveryPath.DECLINE
                ? Stage.DECLINED
                : stageBefore == Stage.RECEIVED || !stageBefore.isOpen() ? Stage.TRIAGED : stageBefore;
    }

    Ranking ranking() {
        try {
            return Json.read(ranking, Ranking.class, "ranking", "of decision " + id);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    View view() {
        return new View(id, deviceId, path, reason, protocol, ranking().leader(), who, at, undoneAt != null);
    }
}

interface Decisions extends JpaRepository<Decision, Long>, OfDevices {

    @Override
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query("update Decision r set r.caseId = ?2 where r.deviceId = ?1")
    void give(long device, long caseId);

    List<Decision> findByCaseIdOrderByIdDesc(Long caseId);

    @Query("select d from Decision d where d.id in (select max(x.id) from Decision x where x.caseId in ?1 and "
            + "x.undoneAt is null group by x.caseId, x.deviceId)")
    List<Decision> findStanding(Collection<Long> caseIds);

    @Query("select new org.brantel.server.triage.Decision$Brief(d.id, d.caseId, d.deviceId, d.protocol, d.at) from "
            + "Decision d where d.id in "
            + "(select max(x.id) from Decision x where x.caseId in ?1 and x.undoneAt is null group by "
            + "x.caseId, x.deviceId)")
    List<Decision.Brief> findStandingInBrief(Collection<Long> caseIds);

    @Query("select new org.brantel.server.triage.Decision$Foretold(d.caseId, d.estimate) from Decision d where "
            + "d.id in (select max(x.id) from Decision x where x.caseId in ?1 and x.undoneAt is null group by "
            + "x.caseId, x.deviceId)")
    List<Decision.Foretold> findForetold(Collection<Long> caseIds);
}
