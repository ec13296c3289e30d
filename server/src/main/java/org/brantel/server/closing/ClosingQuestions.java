package org.brantel.server.closing;

import java.util.List;
import java.util.Map;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.delivery.Deliveries;
import org.brantel.server.delivery.DeliveryViews;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Known;
import org.springframework.stereotype.Component;

/** Cases whose customer has what they came for, and that are not closed. */
@Component
class ClosingQuestions implements Asking {

    private final CaseLists lists;
    private final Deliveries deliveries;

    ClosingQuestions(CaseLists lists, Deliveries deliveries) {
        this.lists = lists;
        this.deliveries = deliveries;
    }

    @Override
    public List<Question> about(OpenCases open) {
        List<CaseViews.Summary> cases = open.in(Stage.HANDOVER);
        Map<String, DeliveryViews.Delivery> newest = deliveries.newest(lists.ids(OpenCases.numbers(cases)));
        return cases.stream()
                .filter(c -> newest.containsKey(c.number())
                        && Known.in(newest, c.number()).way().receipt() != null)
                .map(c -> Question.of(
                        c,
                        "Closing",
                        "Close the case?",
                        "The customer confirmed receipt; note what became of each device.",
                        Place.CLOSED,
                        Action.open("Open closing", Place.CLOSED)))
                .toList();
    }
}
