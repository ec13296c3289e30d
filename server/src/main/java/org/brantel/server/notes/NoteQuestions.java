package org.brantel.server.notes;

import java.util.List;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.Harm;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.intake.CaseViews;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Notes in which somebody is asked for. */
@Component
class NoteQuestions implements Asking {

    private static final int MOST_SHOWN = 220;

    private final Notes notes;

    NoteQuestions(Notes notes) {
        this.notes = notes;
    }

    @Override
    public List<Question> about(OpenCases open) {
        return notes.unseenBy(open.person().login()).stream()
                .map(u -> of(u, open.numbered(u.caseNumber()).orElse(null)))
                .toList();
    }

    /** @param c null when it is closed */
    private static Question of(Notes.Unseen u, CaseViews.@Nullable Summary c) {
        String seen = "/api/mentions/" + u.mentionId() + "/seen";
        return new Question(
                "mention-" + u.mentionId(),
                c == null ? new Question.Of(u.caseNumber(), "", null) : Question.Of.of(c),
                "Note",
                u.who() + " asks for you",
                u.words().length() > MOST_SHOWN ? u.words().substring(0, MOST_SHOWN) + "…" : u.words(),
                Place.RECEIVED,
                new Question.Waits(u.at(), c == null ? null : c.waiting().due(), Harm.CLOCK),
                List.of(
                        Action.call(
                                "Seen",
                                Action.Call.post(seen),
                                "The note was marked as seen.",
                                new Action.Call(Action.Method.DELETE, seen, null)),
                        Action.open("Open the case", Place.RECEIVED)));
    }
}
