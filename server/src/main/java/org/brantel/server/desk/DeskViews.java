package org.brantel.server.desk;

import java.time.Instant;
import java.util.List;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.intake.Stage;
import org.brantel.server.work.WorkState;
import org.jspecify.annotations.Nullable;

/** What the Desk shows. */
final class DeskViews {

    private DeskViews() {}

    /**
     * @param share done, 0 to 1
     * @param ends  when it will be done at its present rate; absent when nobody can say
     */
    record Work(
            String caseNumber,
            @Nullable String customer,
            String what,
            WorkState state,
            double share,
            Place place,
            @Nullable Instant ends) {}

    /** Something that has a time today. */
    record Event(
            Instant at,
            String what,
            String caseNumber,
            @Nullable String customer,
            Place place) {}

    /** @param stage how many open cases stand where */
    record Count(Stage stage, long cases, long late) {}

    /**
     * @param waiting how many decisions there are in all; the most pressing ones are listed
     * @param timed   how many things have a time today; what was promised is listed before what only runs out
     */
    record Desk(
            List<Question> decisions,
            int waiting,
            int overdue,
            List<Work> running,
            List<Event> today,
            int timed,
            List<Count> stages,
            int drafts) {}
}
