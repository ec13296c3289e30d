package org.brantel.server.day;

import com.fasterxml.jackson.annotation.JsonValue;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
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

    /** What a customer got at the end. */
    enum How {
        /** Every chosen file, whole. */
        WHOLE,
        /** Some of them whole, or in parts, or in doubt. */
        PARTLY,
        /** None of them, or nothing that could have been chosen. */
        NOTHING,
        /** A copy was there already. */
        COPY,
        /** They took their devices back before the work was done. */
        COLLECTED,
        /** It was decided and closed, and nothing was sealed for it. */
        UNDELIVERED,
        DECLINED;

        /** As it goes over the wire. */
        @JsonValue
        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** @param complete every wanted line was delivered whole, and confirmed to be what was meant */
    record Ended(String caseNumber, String customer, Instant at, How how, boolean complete) {}

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
