package org.brantel.server.proof;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import org.brantel.server.work.WorkRecord;
import org.hibernate.annotations.DynamicUpdate;

/** One run that draws the small pictures of a case. */
@Entity
@Table(name = "sheet_run")
@DynamicUpdate
class SheetRun extends WorkRecord {

    private int total;
    private int done;
    private int undrawn;

    protected SheetRun() {}

    SheetRun(Long caseId, String who, Instant startedAt) {
        super(caseId, who, startedAt);
    }

    /** @param pictures that are to be drawn; those that were drawn before count as done */
    void runOver(int pictures) {
        run();
        total = pictures;
        done = 0;
        undrawn = 0;
    }

    void count(int tried, int ofThemUndrawn) {
        done += tried;
        undrawn += ofThemUndrawn;
    }

    void end(boolean asked, Instant at) {
        if (asked) {
            pause(null);
        } else {
            finish(at);
        }
    }

    SheetViews.Run view() {
        return new SheetViews.Run(id(), standing(), total, done, undrawn);
    }
}
