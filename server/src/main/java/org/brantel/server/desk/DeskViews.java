package org.brantel.server.desk;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import org.brantel.server.work.WorkState;

/** What the Desk shows. */
final class DeskViews {

    private DeskViews() {}

    /**
     * What can be done about a decision in place.
     *
     * @param code     open, decide, keep, resume, enough, work, wake, hold-week, seen, retry-mail
     * @param argument what it is done with: a path, a number of a session; empty for none
     */
    record Action(String code, String label, String argument) {}

    /**
     * A question that waits for a person.
     *
     * @param kind  what it is about, in a word or two
     * @param place the stage of the docket where it is answered
     * @param since when it came up
     * @param due   when its clock runs out; absent where none runs
     */
    record Decision(
            String key,
            String caseNumber,
            String customer,
            String kind,
            String question,
            String reason,
            String place,
            Instant since,
            @Nullable Instant due,
            List<Action> actions) {}

    /**
     * @param share done, 0 to 1
     * @param ends  when it will be done at its present rate; absent when nobody can say
     */
    record Work(
            String caseNumber,
            String customer,
            String what,
            WorkState state,
            double share,
            String place,
            @Nullable Instant ends) {}

    /** Something that has a time today. */
    record Event(Instant at, String what, String caseNumber, String customer, String place) {}

    /** @param stage how many open cases stand where */
    record Count(String stage, long cases, long late) {}

    /** @param waiting how many decisions there are in all; the most pressing ones are listed */
    record Desk(
            List<Decision> decisions,
            int waiting,
            int overdue,
            List<Work> running,
            List<Event> today,
            List<Count> stages,
            int drafts) {}
}
