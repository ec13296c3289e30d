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

    /** A week on hold. */
    public Action holdWeek(CaseViews.Summary c, String label, String reason) {
        return Action.call(
                label,
                hold(c, reason, today().plusDays(WEEK)),
                c.number() + " waits a week.",
                Action.Call.post("/api/cases/" + c.number() + "/wake"));
    }

    private static Action.Call hold(CaseViews.Summary c, String reason, LocalDate until) {
        return Action.Call.post(
                "/api/cases/" + c.number() + "/hold", Map.of("reason", reason, "until", until.toString()));
    }

    @Override
    public List<Question> about(OpenCases open) {
        return open.in(Stage.ON_HOLD).stream()
                .filter(c -> c.waiting().hold() != null
                        && !c.waiting().hold().until().isAfter(today()))
                .map(c -> Question.of(
                        c,
                        "Hold",
                        "Take it up again?",
                        "Its wait is over: " + c.waiting().hold().reason(),
                        Place.of(c.waiting().hold().from()),
                        Action.call(
                                "Take it up",
                                Action.Call.post("/api/cases/" + c.number() + "/wake"),
                                c.number() + " was taken up again.",
                                hold(c, c.waiting().hold().reason(), today().plusDays(1))),
                        holdWeek(c, "A week more", c.waiting().hold().reason())))
                .toList();
    }
}
