package org.brantel.server.triage;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.core.triage.Triage;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Known;
import org.brantel.server.protocol.LabProtocol;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Which path a case takes, what comes first on it, and whether it is still the right one. */
@Component
class TriageQuestions implements Asking {

    private static final Action LOOK = Action.open("Open triage", Place.TRIAGED);
    /** A lead of less than this is too close to be taken with one key. */
    private static final int CLEAR_LEAD = 3;

    private final CaseLists lists;
    private final LabProtocol protocol;
    private final TriageService triage;
    private final Rankings rankings;
    private final FirstMoves moves;

    TriageQuestions(CaseLists lists, LabProtocol protocol, TriageService triage, Rankings rankings, FirstMoves moves) {
        this.lists = lists;
        this.protocol = protocol;
        this.triage = triage;
        this.rankings = rankings;
        this.moves = moves;
    }

    @Override
    public List<Question> about(OpenCases open) {
        // Asked for once: which protocol is in force stands in the database.
        Triage inForce = protocol.triage();
        List<Question> all = new ArrayList<>(undecided(open.in(Stage.RECEIVED), inForce));
        for (CaseViews.Summary c : open.in(Stage.TRIAGED)) {
            RecoveryPath path = c.path();
            // Whoever has the job asks of it; of several devices each has a first move of its own.
            if (path != null && path != RecoveryPath.HARDWARE_WORK && c.devices() == 1) {
                all.add(moves.first(c, path, inForce.protocol()));
            }
        }
        all.addAll(moved(open));
        return all;
    }

    private List<Question> undecided(List<CaseViews.Summary> cases, Triage inForce) {
        Map<String, List<CaseLists.OfDevice>> facts = lists.facts(OpenCases.numbers(cases));
        Map<String, Integer> versions = lists.versions(OpenCases.numbers(cases));
        return cases.stream()
                .flatMap(c -> undecided(c, Known.in(facts, c.number()), inForce, versions.getOrDefault(c.number(), 0)))
                .toList();
    }

    /** One question for those that lead to the same path, the first device's for the case; decided ones ask nothing. */
    private Stream<Question> undecided(
            CaseViews.Summary c, List<CaseLists.OfDevice> devices, Triage inForce, int version) {
        List<CaseViews.Device> all =
                devices.stream().map(CaseLists.OfDevice::device).toList();
        Map<String, List<CaseViews.Device>> byQuestion = new LinkedHashMap<>();
        Map<String, Question> questions = new LinkedHashMap<>();
        for (CaseLists.OfDevice d : devices) {
            if (d.device().way().ownPath() == null) {
                Question q = undecided(
                        c,
                        rankings.of(d.facts(), inForce),
                        questions.isEmpty() ? null : d.device().id(),
                        version);
                questions.putIfAbsent(q.question(), q);
                byQuestion.computeIfAbsent(q.question(), w -> new ArrayList<>()).add(d.device());
            }
        }
        return questions.entrySet().stream().map(e -> e.getValue().of(Known.in(byQuestion, e.getKey()), all));
    }

    /** @param device that it is asked for alone; null for all that have no path of their own */
    private static Question undecided(
            CaseViews.Summary c, List<Ranking.Ranked> ranking, @Nullable Long device, int version) {
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
                    take(c, first, device, version),
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
    private static Action take(CaseViews.Summary c, Ranking.Ranked path, @Nullable Long device, int version) {
        String of = "/api/cases/" + c.number() + "/triage/";
        Map<String, Object> body = new HashMap<>(Map.of("path", path.path(), "reason", "", "version", version));
        if (device != null) {
            body.put("device", device);
        }
        return Action.call(
                "Take it",
                Action.Call.post(of + "decision", body),
                c.number() + ": " + path.label().toLowerCase(Locale.ROOT) + " was decided.",
                Action.Call.post(of + "undo"));
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
                    String which = m.device() == null ? "" : "Of " + m.device() + ": ";
                    return Question.of(
                            open.numbered(m.caseNumber()).orElseThrow(),
                            "Moved",
                            "Still " + m.path().words() + "?",
                            which + "The facts have changed since it was decided: " + now
                                    + (m.movement().newStops().isEmpty() ? "." : ", and a stop rule came up."),
                            Place.TRIAGED,
                            LOOK);
                })
                .toList();
    }
}
