package org.brantel.server.day;

import java.time.Instant;
import java.util.List;
import org.brantel.core.past.HowEnded;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.triage.OpenPrices;

/** What a manager sees of the day. */
final class DayViews {

    private DayViews() {}

    /**
     * An open case whose clock has run out, or whose files were needed before today.
     *
     * @param clock  the clock of its stage has run out
     * @param needed the customer's deadline has passed
     * @param since  when the earlier of the two was
     */
    record Late(CaseViews.Summary of, boolean clock, boolean needed, Instant since) {}

    /** @param complete every wanted line was delivered whole, and confirmed to be what was meant */
    record Ended(String caseNumber, String customer, Instant at, HowEnded how, boolean complete) {}

    /** @param looked at, the newest ones, of as many as there are */
    record Counted(int looked, long all) {

        static Counted of(CaseViews.Page page) {
            return new Counted(page.cases().size(), page.total());
        }
    }

    /**
     * @param late  the longest first
     * @param open  the cases that {@code late} and {@code money} are of
     * @param days  how far back {@code ended} goes, the newest first
     * @param over  the cases that ended in that time
     */
    record Day(List<Late> late, OpenPrices.Open money, Counted open, int days, List<Ended> ended, Counted over) {}
}
