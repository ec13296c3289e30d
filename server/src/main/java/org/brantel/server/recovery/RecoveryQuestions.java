package org.brantel.server.recovery;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.Harm;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.asks.WorkAtHand;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Known;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Component;

/** Runs that went through or broke off, and those under way. */
@Component
class RecoveryQuestions implements Asking, WorkAtHand {

    private final CaseLists lists;
    private final Recoveries recoveries;
    private final Clock clock;

    RecoveryQuestions(CaseLists lists, Recoveries recoveries, Clock clock) {
        this.lists = lists;
        this.recoveries = recoveries;
        this.clock = clock;
    }

    @Override
    public List<Question> about(OpenCases open) {
        List<CaseViews.Summary> cases = open.in(Stage.RECOVERY);
        Map<String, RecoveryViews.Run> newest = recoveries.newest(lists.ids(OpenCases.numbers(cases)));
        return cases.stream()
                .filter(c -> newest.containsKey(c.number()))
                .flatMap(c -> of(c, Known.in(newest, c.number())))
                .toList();
    }

    private static Stream<Question> of(CaseViews.Summary c, RecoveryViews.Run r) {
        if (r.standing().state() == WorkState.DONE) {
            return Stream.of(Question.of(
                    c,
                    "Recovery",
                    "Seal the delivery?",
                    r.outcome().whole() + " whole, " + r.outcome().gapped() + " with gaps, "
                            + r.outcome().doubtful() + " in doubt, "
                            + r.outcome().notWritten() + " not written; all read back.",
                    Place.HANDOVER,
                    Action.open("Open handover", Place.HANDOVER)));
        }
        return r.standing().trouble() == null
                ? Stream.of()
                : Stream.of(Question.of(
                        c,
                        Harm.WORK,
                        "Recovery",
                        "Go on recovering?",
                        r.standing().trouble(),
                        Place.RECOVERY,
                        Action.open("Open recovery", Place.RECOVERY)));
    }

    @Override
    public List<Piece> now() {
        return recoveries.running().stream()
                .map(r -> new Piece(
                        r.caseNumber(),
                        "Recovering",
                        r.standing().state(),
                        (double) r.outcome().done() / Math.max(1, r.outcome().total()),
                        Place.RECOVERY,
                        WorkAtHand.ends(
                                r.standing().startedAt(),
                                clock.instant(),
                                r.outcome().done(),
                                r.outcome().total())))
                .toList();
    }
}
