package org.brantel.server.recovery;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.asks.WorkAtHand;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
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
                .flatMap(c -> of(c, newest.get(c.number())))
                .toList();
    }

    private static Stream<Question> of(CaseViews.Summary c, RecoveryViews.Run r) {
        if (r.state() == WorkState.DONE) {
            return Stream.of(Question.of(
                    c,
                    "Recovery",
                    "Seal the delivery?",
                    r.whole() + " whole, " + r.gapped() + " with gaps, " + r.doubtful() + " in doubt, " + r.notWritten()
                            + " not written; all read back.",
                    Place.HANDOVER,
                    Action.open("Open handover", Place.HANDOVER)));
        }
        return r.trouble() == null
                ? Stream.of()
                : Stream.of(Question.of(
                        c,
                        "Recovery",
                        "Go on recovering?",
                        r.trouble(),
                        Place.RECOVERY,
                        Action.open("Open recovery", Place.RECOVERY)));
    }

    @Override
    public List<Piece> now() {
        return recoveries.running().stream()
                .map(r -> new Piece(
                        r.caseNumber(),
                        "Recovering",
                        r.state(),
                        (double) r.done() / Math.max(1, r.total()),
                        Place.RECOVERY,
                        WorkAtHand.ends(r.startedAt(), clock.instant(), r.done(), r.total())))
                .toList();
    }
}
