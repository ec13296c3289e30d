package org.brantel.server.triage;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.core.triage.Triage;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.bench.ImagingView;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Known;
import org.brantel.server.protocol.LabProtocol;
import org.springframework.stereotype.Component;

/** What the devices of a case ask that has several: those that nobody has begun with, and those that go a barred way. */
@Component
class SeveralDevices implements Asking {

    /** While the files of one device are chosen, another may not be begun with. */
    private static final Set<Stage> UNDER_WAY =
            Set.of(Stage.RECEIVED, Stage.TRIAGED, Stage.IMAGING, Stage.SCANNING, Stage.SELECTION);

    /** A lead of less than this is too close to speak for a way of its own. */
    private static final int CLEAR_LEAD = 3;

    private static final Action LOOK = Action.open("Open triage", Place.TRIAGED);

    private final CaseLists lists;
    private final LabProtocol protocol;
    private final ImagingRecords imaging;
    private final Rankings rankings;
    private final FirstMoves moves;

    SeveralDevices(CaseLists lists, LabProtocol protocol, ImagingRecords imaging, Rankings rankings, FirstMoves moves) {
        this.lists = lists;
        this.protocol = protocol;
        this.imaging = imaging;
        this.rankings = rankings;
        this.moves = moves;
    }

    @Override
    public List<Question> about(OpenCases open) {
        List<CaseViews.Summary> cases = open.all().stream()
                .filter(c -> c.devices() > 1 && UNDER_WAY.contains(c.waiting().stage()))
                .toList();
        if (cases.isEmpty()) {
            return List.of();
        }
        Triage inForce = protocol.triage();
        Map<String, List<CaseLists.OfDevice>> facts = lists.facts(OpenCases.numbers(cases));
        Map<String, List<ImagingView>> read = imaging.newest(lists.ids(OpenCases.numbers(cases)));
        List<Question> all = new ArrayList<>();
        for (CaseViews.Summary c : cases) {
            Set<Long> begun = read.getOrDefault(c.number(), List.of()).stream()
                    .map(ImagingView::device)
                    .collect(Collectors.toSet());
            List<CaseLists.OfDevice> devices = Known.in(facts, c.number());
            List<CaseLists.OfDevice> left = devices.stream()
                    .filter(d -> !begun.contains(d.device().id()) && !holdsOthers(d, devices))
                    .toList();
            all.addAll(ofCase(c, left, devices, inForce));
        }
        return all;
    }

    private List<Question> ofCase(
            CaseViews.Summary c, List<CaseLists.OfDevice> left, List<CaseLists.OfDevice> devices, Triage inForce) {
        List<CaseViews.Device> all =
                devices.stream().map(CaseLists.OfDevice::device).toList();
        Map<RecoveryPath, List<CaseViews.Device>> going = new LinkedHashMap<>();
        List<Question> questions = new ArrayList<>();
        for (CaseLists.OfDevice d : left) {
            RecoveryPath own = d.device().way().ownPath();
            RecoveryPath path = own == null ? c.path() : own;
            if (path == null || path == RecoveryPath.DECLINE || path == RecoveryPath.HARDWARE_WORK) {
                continue;
            }
            List<Ranking.Ranked> ranking = rankings.of(d.facts(), inForce);
            if (own == null && (isBarred(ranking, path) || d.apart() && isFarBehind(ranking, path))) {
                questions.add(another(c, ranking.get(0), path).of(List.of(d.device()), all));
            } else {
                going.computeIfAbsent(path, p -> new ArrayList<>()).add(d.device());
            }
        }
        going.forEach((path, some) ->
                questions.add(moves.first(c, path, inForce.protocol()).of(some, all)));
        return questions;
    }

    /** A box is not read: its members are. */
    private static boolean holdsOthers(CaseLists.OfDevice d, List<CaseLists.OfDevice> all) {
        return TriageService.isBox(d.device().type())
                && all.stream().anyMatch(o -> !TriageService.isBox(o.device().type()));
    }

    private static boolean isBarred(List<Ranking.Ranked> ranking, RecoveryPath path) {
        return ranking.stream().anyMatch(r -> r.path() == path && r.barred());
    }

    private static boolean isFarBehind(List<Ranking.Ranked> ranking, RecoveryPath path) {
        Ranking.Ranked first = ranking.get(0);
        return !first.barred()
                && ranking.stream().anyMatch(r -> r.path() == path && first.score() - r.score() >= CLEAR_LEAD);
    }

    private static Question another(CaseViews.Summary c, Ranking.Ranked leads, RecoveryPath path) {
        String label = leads.label().toLowerCase(Locale.ROOT);
        return Question.of(
                c,
                "Path",
                "A path of its own: " + label + "?",
                "The case goes " + path.words() + "; by the facts of this device " + label + " leads.",
                Place.TRIAGED,
                LOOK);
    }
}
