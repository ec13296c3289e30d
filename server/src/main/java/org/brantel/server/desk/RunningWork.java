package org.brantel.server.desk;

import java.util.List;
import java.util.Map;
import org.brantel.server.asks.WorkAtHand;
import org.brantel.server.intake.CaseLists;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Long work of all cases, whichever feature does it. */
@Service
class RunningWork {

    private final List<WorkAtHand> features;
    private final CaseLists lists;

    RunningWork(List<WorkAtHand> features, CaseLists lists) {
        this.features = features;
        this.lists = lists;
    }

    @Transactional(readOnly = true)
    List<DeskViews.Work> all() {
        List<WorkAtHand.Piece> pieces =
                features.stream().flatMap(f -> f.now().stream()).toList();
        Map<String, String> customers = pieces.isEmpty()
                ? Map.of()
                : lists.customers(
                        pieces.stream().map(WorkAtHand.Piece::caseNumber).toList());
        return pieces.stream()
                .map(p -> new DeskViews.Work(
                        p.caseNumber(),
                        customers.get(p.caseNumber()),
                        p.what(),
                        p.state(),
                        p.share(),
                        p.place(),
                        p.ends()))
                .toList();
    }
}
