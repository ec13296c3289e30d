package org.brantel.server.intake;

import java.util.List;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Topic;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which way a case goes, and each of its devices. */
@Service
public class CasePaths {

    /**
     * What a decision came to.
     *
     * @param stage     in which the case stands since
     * @param completes it was the last device without a path, so that the case goes the way of its first one
     */
    public record Course(Stage stage, boolean completes) {}

    private final LabCases cases;
    private final Entries entries;
    private final CaseCourse course;
    private final Happenings happenings;

    CasePaths(LabCases cases, Entries entries, CaseCourse course, Happenings happenings) {
        this.cases = cases;
        this.entries = entries;
        this.course = course;
        this.happenings = happenings;
    }

    /**
     * Records the decision on a recovery path and moves the case on.
     *
     * @param device that it is for; null for all of the case that have none of their own
     */
    @Transactional
    public Course decide(
            String number,
            int version,
            @Nullable Long device,
            RecoveryPath path,
            String reason,
            String protocolName,
            String who) {
        LabCase labCase = cases.toEdit(number);
        labCase.expect(version);
        boolean completes = false;
        if (device == null) {
            labCase.decide(path, reason, protocolName);
        } else {
            entries.decide(labCase, device, new CaseViews.Device.Way(path, reason, protocolName));
            completes = complete(labCase);
        }
        moveOn(labCase, who);
        happenings.changed(number, Topic.CASE);
        return new Course(labCase.stage(), completes);
    }

    /**
     * Gives a case without a path that of its first device, once each of them has one.
     *
     * @return whether it got one
     */
    boolean complete(LabCase labCase) {
        List<CaseViews.Device.Way> ways =
                entries.devices(labCase).stream().map(CaseViews.Device::way).toList();
        if (labCase.path() != null || ways.stream().anyMatch(w -> w.ownPath() == null)) {
            return false;
        }
        CaseViews.Device.Way first = ways.stream()
                .filter(w -> w.ownPath() != RecoveryPath.DECLINE)
                .findFirst()
                .orElse(ways.get(0));
        labCase.decide(first.ownPath(), first.ownReason(), first.ownProtocol());
        return true;
    }

    void moveOn(LabCase labCase, String who) {
        if (labCase.path() == null) {
            return;
        }
        boolean declined = entries.devices(labCase).stream()
                .map(d -> d.way().ownPath() == null ? labCase.path() : d.way().ownPath())
                .allMatch(p -> p == RecoveryPath.DECLINE);
        if (declined) {
            course.moveTo(labCase, Stage.DECLINED, who);
        } else if (labCase.stage() == Stage.RECEIVED || !labCase.stage().isOpen()) {
            // A case that is further on stays there: another path is another way of going on. One that was over is open
            // again.
            course.moveTo(labCase, Stage.TRIAGED, who);
        }
    }

    /**
     * Puts back what a decision changed.
     *
     * @param device    that it was for; null for the case
     * @param way       that stood before
     * @param completed the case got its path by it, and has none again
     */
    @Transactional
    public void undecide(
            String number, @Nullable Long device, CaseViews.Device.Way way, boolean completed, Stage stage) {
        LabCase labCase = cases.toEdit(number);
        if (device == null) {
            labCase.decide(way.ownPath(), way.ownReason(), way.ownProtocol());
        } else {
            entries.decide(labCase, device, way);
            if (completed) {
                labCase.decide(null, null, null);
            }
        }
        // Its clock goes on as if nothing had been decided.
        course.backTo(labCase, stage);
        happenings.changed(number, Topic.CASE);
    }
}
