package org.brantel.server.triage;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.core.triage.Triage;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.HoldQuestions;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Known;
import org.brantel.server.protocol.LabProtocol;
import org.springframework.stereotype.Component;

/** Which path a case takes, what comes first on it, and whether it is still the right one. */
@Component
class TriageQuestions implements Asking {

    private static final Action LOOK = Action.open("Open triage", Place.TRIAGED);
    private static final Action CASE = Action.open("Open the case", Place.NOTES);
    /** A lead of less than this is too close to be taken with one key. */
    private static final int CLEAR_LEAD = 3;

    private final CaseLists lists;
    private final LabProtocol protocol;
    private final TriageService triage;
    private final HoldQuestions holds;

    TriageQuestions(CaseLists lists, LabProtocol protocol, TriageService triage, HoldQuestions holds) {
        this.lists = lists;
        this.protocol = protocol;
        this.triage = triage;
        this.holds = holds;
    }

    @Override
    public List<Question> about(OpenCases open) {
        // Asked for once: which protocol is in force stands in the database.
        Triage inForce = protocol.triage();
        List<Question> all = new ArrayList<>(undecided(open.in(Stage.RECEIVED), inForce));
        for (CaseViews.Summary c : open.in(Stage.TRIAGED)) {
            RecoveryPath path = c.path();
            // Whoever has the job asks of it.
            if (path != null && path != RecoveryPath.HARDWARE_WORK) {
                all.add(firstMove(c, path, inForce.protocol()));
            }
        }
        all.addAll(moved(open));
        return all;
    }

    private List<Question> undecided(List<CaseViews.Summary> cases, Triage inForce) {
        Map<String, List<CaseForm.Fact>> facts = lists.facts(OpenCases.numbers(cases));
        Map<String, Integer> versions = lists.versions(OpenCases.numbers(cases));
        return cases.stream()
                .map(c -> undecided(
                        c,
                        inForce.ranking(LabProtocol.facts(Known.in(facts, c.number()), inForce.protocol())),
                        versions.getOrDefault(c.number(), 0)))
                .toList();
    }

    private static Question undecided(CaseViews.Summary c, List<Ranking.Ranked> ranking, int version) {
        Ranking.Ranked first = ranking.get(0);
        Ranking.Ranked second = ranking.get(1);
        int lead = first.score() - second.score();
        if (first.barred() || first.score() <= 0) {
            String why = "The facts do not speak for any path yet; ask more.";
            return Question.of(c, "Path", "Which recovery path?", why, Place.TRIAGED, LOOK);
        }
        if (lead >= CLEAR_LEAD || second.barred()) {
            String by = second.barred()
                    ? "far; the others are barred"
                    : lead + " over " + second.label().toLowerCase(Locale.ROOT);
            return Question.of(
                    c,
                    "Path",
                    first.label() + "?",
                    "It leads by " + by + ". " + first.speaksFor().get(0).reason(),
                    Place.TRIAGED,
                    take(c, first, version),
                    LOOK);
        }
        String apart = lead == 0 ? "They are level" : lead == 1 ? "One point apart" : lead + " points apart";
        return Question.of(
                c,
                "Path",
                first.label() + ", or " + second.label().toLowerCase(Locale.ROOT) + "?",
                apart + "; one more answer settles it.",
                Place.TRIAGED,
                LOOK);
    }

    /** Of the case as it stood when the question was put: somebody else's change in between is not decided over. */
    private static Action take(CaseViews.Summary c, Ranking.Ranked path, int version) {
        String of = "/api/cases/" + c.number() + "/triage/";
        return Action.call(
                "Take it",
                Action.Call.post(of + "decision", Map.of("path", path.path(), "reason", "", "version", version)),
                c.number() + ": " + path.label().toLowerCase(Locale.ROOT) + " was decided.",
                Action.Call.post(of + "undo"));
    }

    /** What is next depends on the path: a device that must not be powered is not attached. */
    private Question firstMove(CaseViews.Summary c, RecoveryPath path, Protocol inForce) {
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
            case UNLOCK_FIRST -> waiting(c, "Key", "Is the key there?", decided, "Waits for the key.");
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

    private Question waiting(CaseViews.Summary c, String kind, String question, String decided, String reason) {
        return Question.of(c, kind, question, decided, Place.TRIAGED, holds.holdWeek(c, "Hold a week", reason), CASE);
    }

    private List<Question> moved(OpenCases open) {
        List<String> decided = open.all().stream()
                .filter(c -> c.path() != null && c.waiting().hold() == null)
                .map(CaseViews.Summary::number)
                .toList();
        return triage.movedFar(decided).stream()
                .filter(m -> m.path() != null)
                .map(m -> {
                    RecoveryPath leads = m.movement().leadsNow();
                    String now = leads == null ? "no path is open" : leads.words() + " leads now";
                    return Question.of(
                            open.numbered(m.caseNumber()).orElseThrow(),
                            "Moved",
                            "Still " + m.path().words() + "?",
                            "The facts have changed since it was decided: " + now
                                    + (m.movement().newStops().isEmpty() ? "." : ", and a stop rule came up."),
                            Place.TRIAGED,
                            LOOK);
                })
                .toList();
    }
}
