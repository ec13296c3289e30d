package org.brantel.server.intake;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Topic;
import org.springframework.stereotype.Component;

/** Through which stages a case goes, and when it came to each. */
@Component
class CaseCourse {

    private final StageRows stages;
    private final Happenings happenings;
    private final CaseClock clock;

    CaseCourse(StageRows stages, Happenings happenings, CaseClock clock) {
        this.stages = stages;
        this.happenings = happenings;
        this.clock = clock;
    }

    /** Moves a case to a stage, whose clock begins now; one that stands there already stays as it is. */
    void moveTo(LabCase labCase, Stage stage, String who) {
        if (labCase.stage() != stage) {
            Instant now = clock.now();
            labCase.moveTo(stage, now);
            came(labCase, stage, now, who);
        }
        happenings.changed(labCase.number(), Topic.CASE);
    }

    /** Puts a case back into a stage as if it had never left it: that stage's clock goes on. */
    void backTo(LabCase labCase, Stage stage) {
        labCase.moveTo(stage, lastIn(labCase, stage).orElse(clock.now()));
    }

    /** Writes down that a case came to a stage. */
    void came(LabCase labCase, Stage stage, Instant at, String who) {
        stages.save(new StageRow(labCase.id(), stage, at, who));
    }

    /** When a case came to a stage last; empty when it never did. */
    Optional<Instant> lastIn(LabCase labCase, Stage stage) {
        return stages.findByCaseIdOrderById(labCase.id()).stream()
                .filter(s -> s.stage() == stage)
                .reduce((a, b) -> b)
                .map(StageRow::at);
    }

    /** In the order in which it came to them. */
    List<CaseViews.StageVisit> visits(LabCase labCase) {
        return stages.findByCaseIdOrderById(labCase.id()).stream()
                .map(StageRow::view)
                .toList();
    }
}
