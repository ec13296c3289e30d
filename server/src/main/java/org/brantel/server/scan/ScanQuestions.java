package org.brantel.server.scan;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.Harm;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.brantel.server.work.Ask;
import org.springframework.stereotype.Component;

/** Scans that broke off or were stopped, so that nothing goes on by itself. */
@Component
class ScanQuestions implements Asking {

    private static final Action LOOK = Action.open("Open scanning", Place.SCANNING);

    private final CaseLists lists;
    private final Scans scans;

    ScanQuestions(CaseLists lists, Scans scans) {
        this.lists = lists;
        this.scans = scans;
    }

    @Override
    public List<Question> about(OpenCases open) {
        List<CaseViews.Summary> cases = open.in(Stage.SCANNING);
        Map<String, ScanView> newest = scans.newest(lists.ids(OpenCases.numbers(cases)));
        return cases.stream()
                .flatMap(c -> Stream.ofNullable(newest.get(c.number())).flatMap(s -> of(c, s)))
                .toList();
    }

    private static Stream<Question> of(CaseViews.Summary c, ScanView s) {
        return switch (s.standing().state()) {
            case FAILED, STOPPED -> Stream.of(again(c, s));
            case WAITING, RUNNING -> s.standing().asked() == Ask.PAUSE ? Stream.of(paused(c, s)) : Stream.of();
            case PAUSED, DONE -> Stream.of();
        };
    }

    private static Action.Call ask(ScanView s, String what) {
        return Action.Call.post("/api/scans/" + s.id() + "/" + what);
    }

    private static Question again(CaseViews.Summary c, ScanView s) {
        String why = s.standing().trouble() == null
                ? "It was stopped."
                : s.standing().trouble();
        return Question.of(
                c,
                Harm.WORK,
                "Scan",
                "Scan it again?",
                why + " What it found is kept.",
                Place.SCANNING,
                Action.call(
                        "Scan again",
                        ask(s, "repeat"),
                        c.number() + ": the scan has begun again.",
                        Action.Call.post("/api/scans/{id}/stop")),
                LOOK);
    }

    private static Question paused(CaseViews.Summary c, ScanView s) {
        return Question.of(
                c,
                Harm.WORK,
                "Scan",
                "Go on scanning?",
                "Its scan is paused.",
                Place.SCANNING,
                Action.call("Go on", ask(s, "resume"), c.number() + ": the scan goes on.", ask(s, "pause")),
                LOOK);
    }
}
