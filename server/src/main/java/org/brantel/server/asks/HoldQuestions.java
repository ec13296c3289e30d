package org.brantel.server.asks;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Settings;
import org.springframework.stereotype.Component;

/** Cases whose wait is over; and how others are made to wait. Holds belong to intake, on which this package stands. */
@Component
public class HoldQuestions implements Asking {

    private static final int WEEK = 7;

    private final Settings settings;
    private final Clock clock;

    HoldQuestions(Settings settings, Clock clock) {
        this.settings = settings;
        this.clock = clock;
    }

    private LocalDate today() {
        return LocalDate.now(clock.withZone(settings.zone()));
    }

    /** A week on hold, of a case that is not. */
    public Action holdWeek(CaseViews.Summary c, String label, String reason) {
        return week(c, label, reason, new Action.Call(Action.Method.DELETE, hold(c), null));
    }

    private Action week(CaseViews.Summary c, String label, String reason, Action.Call back) {
        return Action.call(
                label,
                Action.Call.post(hold(c), of(reason, today().plusDays(WEEK))),
                c.number() + " waits a week.",
                back);
    }

    private static String hold(CaseViews.Summary c) {
        return "/api/cases/" + c.number() + "/hold";
    }

    private static Map<String, Object> of(String reason, LocalDate until) {
        return Map.of("reason", reason, "until", until.toString());
    }

    @Override
    public List<Question> about(OpenCases open) {
        return open.in(Stage.ON_HOLD).stream()
                .filter(c -> c.waiting().hold() != null
                        && !c.waiting().hold().until().isAfter(today()))
                .map(c -> over(c, c.waiting().hold()))
                .toList();
    }

    private Question over(CaseViews.Summary c, CaseViews.Hold hold) {
        Action.Call back = new Action.Call(Action.Method.PUT, hold(c), of(hold.reason(), hold.until()));
        return Question.of(
                c,
                "Hold",
                "Take it up again?",
                "Its wait is over: " + hold.reason(),
                Place.of(hold.from()),
                Action.call(
                        "Take it up",
                        Action.Call.post("/api/cases/" + c.number() + "/wake"),
                        c.number() + " was taken up again.",
                        back),
                week(c, "A week more", hold.reason(), back));
    }
}
