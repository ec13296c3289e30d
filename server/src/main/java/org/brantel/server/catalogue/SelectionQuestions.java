package org.brantel.server.catalogue;

import java.util.List;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.intake.Stage;
import org.springframework.stereotype.Component;

/** What is to be recovered of what was found. */
@Component
class SelectionQuestions implements Asking {

    @Override
    public List<Question> about(OpenCases open) {
        return open.in(Stage.SELECTION).stream()
                .map(c -> Question.of(
                        c,
                        "Selection",
                        "What is to be recovered?",
                        "The scan is done; the findings wait for a choice.",
                        Place.SELECTION,
                        Action.open("Open catalogue", Place.SELECTION)))
                .toList();
    }
}
