package org.brantel.server.delivery;

import java.util.List;
import java.util.Map;
import java.util.Objects;
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
import org.brantel.server.platform.Known;
import org.springframework.stereotype.Component;

/** Bags that were not sealed, whose link nobody sent, or whose receipt is there while the case is open. */
@Component
class DeliveryQuestions implements Asking {

    private static final Action LOOK = Action.open("Open handover", Place.HANDOVER);

    private final CaseLists lists;
    private final Deliveries deliveries;

    DeliveryQuestions(CaseLists lists, Deliveries deliveries) {
        this.lists = lists;
        this.deliveries = deliveries;
    }

    @Override
    public List<Question> about(OpenCases open) {
        List<CaseViews.Summary> cases = open.in(Stage.HANDOVER);
        Map<String, DeliveryViews.Delivery> newest = deliveries.newest(lists.ids(OpenCases.numbers(cases)));
        return cases.stream()
                .filter(c -> newest.containsKey(c.number()))
                .flatMap(c -> of(c, Known.in(newest, c.number())))
                .toList();
    }

    private static Stream<Question> of(CaseViews.Summary c, DeliveryViews.Delivery d) {
        if (d.state() == DeliveryViews.State.FAILED) {
            return Stream.of(Question.of(
                    c,
                    Harm.WORK,
                    "Handover",
                    "Seal the delivery again?",
                    Objects.requireNonNullElse(d.trouble(), ""),
                    Place.HANDOVER,
                    LOOK));
        }
        if (d.way().receipt() != null) {
            return Stream.of(Question.of(
                    c,
                    "Closing",
                    "Close the case?",
                    confirmed(d.way().receipt(), d.bag().files()) + " Note what became of each device.",
                    Place.CLOSED,
                    Action.open("Open closing", Place.CLOSED)));
        }
        boolean withdrawn = d.way().withdrawnAt() != null;
        return d.state() == DeliveryViews.State.SEALED && (withdrawn || d.way().linkSentAt() == null)
                ? Stream.of(Question.of(
                        c,
                        "Handover",
                        "Send the link to the customer?",
                        withdrawn ? "The link before was withdrawn." : "The bag is sealed and signed.",
                        Place.HANDOVER,
                        LOOK))
                : Stream.of();
    }

    private static String confirmed(DeliveryViews.Receipt receipt, int files) {
        if (receipt.checked() == 0) {
            return "The customer confirmed receipt and did not check.";
        }
        return receipt.checked() == files && receipt.equal() == files
                ? "The customer confirmed receipt; their own check found every file as it was sealed."
                : "The customer confirmed receipt; their own check found " + receipt.equal() + " of " + files
                        + " files as they were sealed.";
    }
}
