package org.brantel.server.mail;

import java.util.List;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.Harm;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.springframework.stereotype.Component;

/** Messages that were tried to the end. */
@Component
class MailQuestions implements Asking {

    private final Outbox outbox;

    MailQuestions(Outbox outbox) {
        this.outbox = outbox;
    }

    @Override
    public List<Question> about(OpenCases open) {
        return outbox.failed().stream()
                .map(m -> new Question(
                        "mail-" + m.id(),
                        new Question.Of(m.caseNumber(), m.text().recipient(), null),
                        "Outbox",
                        "Write to the customer again?",
                        "The message was tried " + m.sending().tries() + " times: "
                                + m.sending().trouble(),
                        Place.RECEIVED,
                        new Question.Waits(m.sending().queuedAt(), null, Harm.CLOCK),
                        List.of(
                                Action.call(
                                        "Try again",
                                        Action.Call.post("/api/outbox/" + m.id() + "/retry"),
                                        "The message is tried again.",
                                        Action.Call.post("/api/outbox/" + m.id() + "/cancel")),
                                Action.open("Open the case", Place.RECEIVED))))
                .toList();
    }
}
