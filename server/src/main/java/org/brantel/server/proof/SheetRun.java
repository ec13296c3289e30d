package org.brantel.server.proof;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import org.brantel.server.work.PassRecord;
import org.hibernate.annotations.DynamicUpdate;

/** One run that draws the small pictures of a case. */
@Entity
@Table(name = "sheet_run")
@DynamicUpdate
class SheetRun extends PassRecord {

    private int undrawn;

    protected SheetRun() {}

    SheetRun(Long caseId, String who, Instant startedAt) {
        super(caseId, who, startedAt);
    }

    @Override
    public void runOver(int pictures) {
        super.runOver(pictures);
        undrawn = 0;
    }

    void count(int tried, int ofThemUndrawn) {
        count(tried);
        undrawn += ofThemUndrawn;
    }

    SheetViews.Run view() {
        return new SheetViews.Run(id(), standing(), total(), done(), undrawn);
    }
}
