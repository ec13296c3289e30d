package org.brantel.server.triage;

import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.HoldQuestions;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.intake.CaseViews;
import org.springframework.stereotype.Component;

/** What is asked first once a path is decided. */
@Component
class FirstMoves {

    private static final Action CASE = Action.open("Open the case", Place.NOTES);

    private final HoldQuestions holds;

    FirstMoves(HoldQuestions holds) {
        this.holds = holds;
    }

    /** What is next depends on the path: a device that must not be powered is not attached. */
    Question first(CaseViews.Summary c, RecoveryPath path, Protocol inForce) {
        String move = inForce.path(path.word()).map(Protocol.Path::firstMove).orElse("");
        String decided = "The path is decided: " + path.words() + ". " + move;
        return switch (path) {
            case EXISTING_COPY ->
                Question.of(
                        c,
                        "Copy",
                        "Was the copy found?",
                        decided,
                        Place.COPIES,
                        holds.holdWeek(c, "Hold a week", "Waits until the customer has looked for the copy."),
                        Action.open("Open copies", Place.COPIES));
            case UNLOCK_FIRST ->
                Question.of(
                        c,
                        "Key",
                        "Is the key there?",
                        decided,
                        Place.TRIAGED,
                        holds.holdWeek(c, "Hold a week", "Waits for the key."),
                        CASE);
            default ->
                Question.of(
                        c,
                        "Bench",
                        "Attach its device and read it?",
                        decided,
                        Place.IMAGING,
                        Action.open("Open imaging", Place.IMAGING));
        };
    }
}
